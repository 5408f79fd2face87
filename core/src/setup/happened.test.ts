import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { usualLamp, usualPanel } from '../../test/panels';
import { usualPoint } from '../../test/points';
import { solveSaid } from '../../test/said';
import { SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE, sampleId } from '../sample';
import { turnedSet } from '../stage';
import { happenings, setupAt, stoodAs, stoodOf } from './happened';
import { changedPanel, type Panel } from './panel';
import { PLAIN_READING, type Reading, stoodSchema } from './reading';
import { PLAIN_CHANGE, type SceneChange } from './sceneChange';
import { lightPath, type Setting } from './settings';
import type { Setup } from './setup';
import { withSettings } from './withSettings';

const READ_AT = '2026-02-27T15:00:00Z';
const DONE_AT = '2026-02-27T15:01:00Z';
const CLOCK = new Date('2026-02-27T15:02:00Z');
const { setup: hall, readings } = SAMPLE_HALL;
const changed = (setup: Setup, ...settings: Setting[]): Setup => {
  const next = withSettings(setup, settings);
  if (!next.ok) throw new Error(JSON.stringify(next.reason));
  return next.value;
};
const kinds = (was: Setup, is: Setup, facts: readonly (Reading | SceneChange)[] = readings) =>
  happenings(was, is, facts).map(({ what }) => what);

describe('what the application knows to have happened', () => {
  it('how things stand goes into a reading as its schema has it, lamps without what is only meant', () => {
    const lit = { ...hall, lamps: [usualLamp({ role: 'key', fromDusk: true })] };
    expect(stoodSchema.safeParse(stoodOf(lit)).error?.issues).toBeUndefined();
    expect(setupAt(lit, stoodOf(lit)).lamps).toMatchObject([{ on: true, fromDusk: false, role: null }]);
  });

  it('is what something was read before, and once only until something is read again', () => {
    const turned = changed(hall, { path: 'stage.subject.turnDeg', value: 30 });
    expect(kinds(hall, turned, [])).toEqual([]);
    expect(kinds(hall, turned)).toEqual(['head-turned']);
    const told: SceneChange = { ...PLAIN_CHANGE, id: sampleId(1), setupId: hall.id, at: DONE_AT, what: 'head-turned' };
    const further = changed(turned, { path: 'stage.subject.turnDeg', value: 50 });
    expect(kinds(turned, further, [...readings, told])).toEqual([]);
    const later = { ...(readings[0] as Reading), id: sampleId(2), at: '2026-02-27T15:05:00Z' };
    expect(kinds(turned, further, [...readings, told, later])).toEqual(['head-turned']);
    expect(kinds(turned, further, [...readings, { ...told, struckAt: DONE_AT }])).toEqual(['head-turned']);
  });

  it('a place that is said for the first time was not changed by that; then it is', () => {
    const assumed = changed(hall, { path: lightPath(0, 'placeSaid'), value: false });
    const said = changed(assumed, { path: lightPath(0, 'distanceM'), value: 3 });
    expect(said.lights[0]).toMatchObject({ distanceM: 3, placeSaid: true });
    expect(kinds(assumed, said)).toEqual([]);
    expect(kinds(said, changed(said, { path: lightPath(0, 'distanceM'), value: 2 }))).toEqual(['light-moved']);
    const unsaid = changed(hall, { path: 'backgroundM', value: null });
    expect(kinds(unsaid, changed(unsaid, { path: 'backgroundM', value: 4 }))).toEqual([]);
  });

  it('tells what comes and goes: gels, lamps, panels; an opening that is drawn was there before', () => {
    const panel = (kind: Panel['kind']) => usualPanel(kind, { id: sampleId(201) });
    const with1 = (kind: Panel['kind']) => changed(hall, { path: 'panels', value: [panel(kind)] });
    const without = changed(hall, { path: 'panels', value: [] });
    expect(kinds(without, with1('reflector'))).toEqual(['reflector']);
    expect(kinds(with1('reflector'), without)).toEqual(['reflector']);
    expect(kinds(without, with1('door'))).toEqual([]);
    const nearer = { ...panel('door'), distanceM: 1 };
    expect(kinds(with1('door'), changed(hall, { path: 'panels', value: [nearer] }))).toEqual(['opening-moved']);
    const gelled = changed(hall, { path: lightPath(0, 'gelIds'), value: [sampleId(141)] });
    expect(happenings(hall, gelled, readings)).toEqual([{ what: 'gel-changed', thingId: hall.lights[0]?.id }]);
  });

  it('a reading keeps how things stood, whatever is done since; what was not said then is taken as it was said', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -180, max: 180 }),
        fc.option(fc.double({ min: 0.3, max: 100, noNaN: true }), { nil: null }),
        (turnDeg, backgroundM) => {
          const then = changed(
            hall,
            { path: 'stage.subject.turnDeg', value: turnDeg },
            { path: 'backgroundM', value: backgroundM },
          );
          const seen = setupAt(hall, stoodOf(then));
          expect(seen.stage.subject.turnDeg).toBe(turnDeg);
          expect(seen.backgroundM).toBe(backgroundM ?? hall.backgroundM);
          expect(stoodAs(stoodOf(then), hall, 'head-turned')?.turnDeg).toBe(hall.stage.subject.turnDeg);
          // a reading that stood so anyway is not put right
          const stood = stoodOf(then);
          expect(stoodAs(stood, then, 'head-turned')).toBe(stood);
        },
      ),
    );
  });
});

describe('what moves changes each point by its own geometry', () => {
  const door = usualPanel('porch', {
    id: sampleId(202),
    sideDeg: 0,
    heightM: 0,
    distanceM: 1.8,
    widthM: 3,
    tallM: 2.2,
  });
  const room: Setup = {
    ...hall,
    points: [{ ...usualPoint('face', 'face'), standsIn: 'indoors' }, usualPoint('background', 'background')],
    lights: [],
    panels: [door],
    backgroundM: 1.5,
  };
  const read = (pointId: string, number: number, ev: number): Reading => ({
    ...PLAIN_READING,
    id: sampleId(number),
    setupId: room.id,
    pointId,
    at: READ_AT,
    text: 'x',
    av: ev - 6,
    tv: 6,
    sv: 0,
    stood: stoodOf(room),
  });
  const facts = [read('face', 301, 10), read('background', 302, 8.5)];
  const levels = (setup: Setup, all: readonly (Reading | SceneChange)[] = facts) =>
    Object.fromEntries(
      solveSaid(setup, SAMPLE_KIT, all, CLOCK).points.map(({ pointId, ambientEv100, uncertaintyStops }) => [
        pointId,
        { ev: ambientEv100 ?? NaN, sd: uncertaintyStops ?? NaN },
      ]),
    ) as Record<'face' | 'background', { ev: number; sd: number }>;

  it('a step back from the door, the backdrop with it: both fall, the backdrop less, and both are less sure', () => {
    const moved = changedPanel(door, { distanceM: 4.5 }, DONE_AT, READ_AT);
    const back = changed(room, { path: 'panels', value: [moved] });
    const [happened] = happenings(room, back, facts);
    expect(happened).toEqual({ what: 'opening-moved', thingId: door.id });
    const told: SceneChange = {
      ...PLAIN_CHANGE,
      ...happened,
      id: sampleId(303),
      setupId: room.id,
      at: DONE_AT,
    } as never;
    const [before, after] = [levels(room), levels(back, [...facts, told])];
    // without any light of the room it would be −2.04 and −1.53
    expect(after.face.ev - before.face.ev).toBeGreaterThan(-2.05);
    expect(after.face.ev - before.face.ev).toBeLessThan(-1);
    expect(after.background.ev - before.background.ev).toBeGreaterThan(after.face.ev - before.face.ev + 0.2);
    expect(after.face.sd).toBeGreaterThan(before.face.sd + 0.3);
    expect(after.background.sd).toBeGreaterThan(before.background.sd + 0.3);
  });

  it('a backdrop that is moved away falls, one that is moved nearer rises, and the face stays', () => {
    const at = (backgroundM: number) => levels(changed(room, { path: 'backgroundM', value: backgroundM }));
    expect(at(4).background.ev).toBeLessThan(at(1.5).background.ev - 0.4);
    expect(at(0.8).background.ev).toBeGreaterThan(at(1.5).background.ev + 0.2);
    expect(at(4).face.ev).toBeCloseTo(at(1.5).face.ev, 6);
  });

  it('a head that turns from the door darkens; while it is being turned nothing is taken for read so', () => {
    const away = changed(room, { path: 'stage.subject.turnDeg', value: 100 });
    expect(levels(away).face.ev).toBeLessThan(levels(room).face.ev - 0.5);
  });
});

describe('the set is turned', () => {
  const { setup: terrace, readings: atTerrace } = SAMPLE_TERRACE;
  const sideOf = (setup: Setup) => solveSaid(setup, SAMPLE_KIT, atTerrace, CLOCK).stage.sun?.sideDeg ?? NaN;

  it('sun and openings wander the other way, lights stay against the camera, and all round it is as before', () => {
    for (const byDeg of [15, -45, 170]) {
      const { settings, stays } = turnedSet(terrace, byDeg, DONE_AT, READ_AT);
      const turned = changed(terrace, ...settings);
      expect(Math.cos(((sideOf(turned) - sideOf(terrace) + byDeg) * Math.PI) / 180)).toBeCloseTo(1, 6);
      expect(turned.lights).toEqual(terrace.lights);
      expect(stays.sun).toBe(true);
      const back = changed(turned, ...turnedSet(turned, -byDeg, DONE_AT, READ_AT).settings);
      expect(sideOf(back)).toBeCloseTo(sideOf(terrace), 6);
    }
  });

  it('the face is carried with a doubt, and what lies behind is as good as unknown', () => {
    const { settings, happening } = turnedSet(terrace, 45, DONE_AT, READ_AT);
    const told: SceneChange = {
      ...PLAIN_CHANGE,
      ...happening,
      id: sampleId(304),
      setupId: terrace.id,
      at: '2026-02-27T15:39:00Z',
    };
    const facts = [...atTerrace.map((one) => ({ ...one, stood: stoodOf(terrace) })), told];
    const { points, meterAgain } = solveSaid(
      changed(terrace, ...settings),
      SAMPLE_KIT,
      facts,
      new Date('2026-02-27T15:40:00Z'),
    );
    const sd = (role: string) => points.find((point) => point.role === role)?.uncertaintyStops ?? NaN;
    expect(sd('face')).toBeGreaterThan(0.5);
    expect(sd('background')).toBeGreaterThan(2.5);
    expect(meterAgain.map(({ pointId }) => pointId).sort()).toEqual(['background', 'face']);
  });
});
