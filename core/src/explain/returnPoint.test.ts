import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { type Change, settingChanges } from '../documents';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { type Setting, type Setup, withSettings } from '../setup';
import { recordLines, returnPoint, setupAsAt } from '.';

const START = Date.parse('2026-02-27T15:00:00Z');
const { setup: hall, readings } = SAMPLE_HALL;
const minute = (count: number) => START + count * 60_000;

/** A setup as it goes on when settings are changed one after the other, a minute apart, each with its fact. */
function changedOneByOne(settings: readonly Setting[][]) {
  const states: Setup[] = [hall];
  const changes: Change[] = [];
  for (const [index, some] of settings.entries()) {
    const before = states.at(-1) ?? hall;
    const after = withSettings(before, some);
    if (!after.ok) throw new Error(JSON.stringify(after.reason));
    const its = settingChanges(before, some);
    states.push(after.value);
    if (its.length === 0) continue;
    changes.push({
      type: 'change',
      version: 8,
      id: sampleId(800 + index),
      setupId: hall.id,
      at: new Date(minute(index + 1)).toISOString(),
      settings: its,
      by: null,
      undoes: [],
    });
  }
  return { states, changes };
}

const setting = fc.oneof(
  fc.double({ min: 0.3, max: 3, noNaN: true }).map((value): Setting => ({ path: 'look.holdBackStops', value })),
  fc.double({ min: 0.5, max: 4, noNaN: true }).map((value): Setting => ({ path: 'lights.0.distanceM', value })),
  fc.constantFrom('face', 'background').map((value): Setting => ({ path: 'look.exposeBy', value })),
  fc.constantFrom([], hall.lights).map((value): Setting => ({ path: 'lights', value })),
  fc.integer({ min: -90, max: 90 }).map((value): Setting => ({ path: 'stage.subject.turnDeg', value })),
);

describe('the way back', () => {
  it('any earlier state comes back whole, whatever was changed since', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(setting, { minLength: 1, maxLength: 3 }), { maxLength: 8 }),
        fc.nat(8),
        (all, to) => {
          // a part of a light that is not there cannot be set
          const possible: Setting[][] = [];
          let now = hall;
          for (const some of all) {
            const next = withSettings(now, some);
            if (!next.ok) continue;
            possible.push(some);
            now = next.value;
          }
          const { states, changes } = changedOneByOne(possible);
          const last = states.at(-1) ?? hall;
          const at = Math.min(to, states.length - 1);
          expect(setupAsAt(last, changes, minute(at) + 1)).toEqual(states[at]);
          const back = returnPoint(last, SAMPLE_KIT, readings, changes, minute(at) + 1, new Date(minute(60)));
          const returned = withSettings(last, back.settings);
          if (!returned.ok) throw new Error(JSON.stringify(returned.reason));
          expect(returned.value).toEqual(states[at]);
        },
      ),
    );
  });

  it('says how the light changed since, and solves the old wish in the light of now', () => {
    const { states, changes } = changedOneByOne([[{ path: 'look.holdBackStops', value: 2 }]]);
    const [read] = readings;
    if (read === undefined) throw new Error('the hall is metered');
    const darker = { ...read, id: sampleId(990), av: read.av - 1, at: new Date(minute(40)).toISOString() };
    const back = returnPoint(
      states[1] ?? hall,
      SAMPLE_KIT,
      [...readings, darker],
      changes,
      minute(0),
      new Date(minute(41)),
    );
    expect(back.settings).toEqual([{ path: 'look.holdBackStops', value: hall.look.holdBackStops }]);
    expect(back.light.find(({ pointId }) => pointId === read.pointId)?.changeStops).toBeCloseTo(-1, 0);
    expect(back.camera).not.toBeNull();
    expect(back.lights[0]?.thenText).not.toBe(back.lights[0]?.powerText);
  });
});

describe('a record as lines over time', () => {
  it('puts readings by kind of point in order, without those that are struck out', () => {
    const [first] = readings;
    if (first === undefined) throw new Error('the hall is metered');
    const later = { ...first, id: sampleId(991), at: new Date(minute(90)).toISOString(), av: first.av - 1 };
    const struck = { ...later, id: sampleId(992), struckAt: later.at };
    const { ambient, flash } = recordLines([hall], [later, struck, ...readings], []);
    const face = ambient.find(({ role }) => role === 'face');
    expect(face?.rows.map(({ id }) => id)).toEqual([first.id, later.id]);
    expect((face?.rows[0]?.value ?? 0) - (face?.rows[1]?.value ?? 0)).toBeCloseTo(1, 9);
    expect(flash).toEqual([]);
  });
});
