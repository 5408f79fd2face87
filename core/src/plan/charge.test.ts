import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { SAMPLE_KIT, SAMPLE_TERRACE } from '../sample';
import { type ChargedSetup, chargeOfDay, frameIn, framesMade } from './charge';

const { setup } = SAMPLE_TERRACE;
const light = setup.lights[0]!;
const AT = Date.parse('2026-02-27T15:00:00Z');
const MADE_NONE = { from: '', to: '' };

/** So many frames of the terrace at a power. */
const shot = (frames: number, powerStops: number, over: Partial<ChargedSetup> = {}): ChargedSetup => ({
  setup: { id: setup.id, lights: [light], pace: { framesPerMinute: 10, frames }, frames: MADE_NONE },
  atMs: AT,
  powers: [{ lightId: light.id, powerStops, recycleS: 0.9 * 2 ** powerStops }],
  temperatureC: null,
  ...over,
});
const kitWith = (over: object) => ({
  flashUnits: SAMPLE_KIT.flashUnits.map((unit) => (unit.id === light.unitId ? { ...unit, ...over } : unit)),
});
const leftAfter = (setups: ChargedSetup[], kit = kitWith({ popsFull: 400 })) =>
  chargeOfDay(setups, kit).map(({ lights: [one] }) => one!);

describe('charge through a day', () => {
  it('each setup takes its frames times its power, in their order', () => {
    const [first, second] = leftAfter([shot(100, 0), shot(100, -1)]);
    expect(first).toMatchObject({ left: 0.75, changes: 0, framesLeft: 400 });
    expect(second!.left).toBeCloseTo(0.625, 9);
    expect(second!.framesLeft).toBe(600);
  });

  it('says when a battery is empty and how often it must be changed', () => {
    const [one] = leftAfter([shot(1000, 0)]);
    expect(one).toMatchObject({ changes: 2, framesLeft: 400 });
    expect(one!.left).toBeCloseTo(0.5, 9);
  });

  it('in the cold it gives less; what was seen of it counts from then on', () => {
    const cold = { temperatureC: -10 };
    expect(leftAfter([shot(100, 0, cold)], kitWith({ popsFull: 400, coldShare: 0.5 }))[0]!.left).toBeCloseTo(0.5, 9);
    const seen = (hour: number) => ({ popsFull: 400, charge: { share: 0.5, at: `2026-02-27T${hour}:00:00Z` } });
    expect(leftAfter([shot(100, 0)], kitWith(seen(14)))[0]!.left).toBeCloseTo(0.25, 9);
    expect(leftAfter([shot(100, 0)], kitWith(seen(16)))[0]!.left).toBeCloseTo(0.5, 9);
  });

  it('tells what is too slow for the pace, and what gets too hot', () => {
    const [slow] = leftAfter([shot(100, 0, { powers: [{ lightId: light.id, powerStops: 0, recycleS: 7 }] })]);
    expect(slow!.slowS).toBe(7);
    const hot = (frames: number, power: number) =>
      leftAfter([shot(frames, power)], kitWith({ popsFull: 400, hotAfterPops: 40 }))[0]!.hotAfter;
    // ten a minute leave a quarter of an hour's, 150, of which 40 are reached after 150·ln(150/110)
    expect(hot(100, 0)).toBe(46);
    expect([hot(40, 0), hot(1000, -2)]).toEqual([null, null]);
  });

  it('reckons with the frames that were made, where their numbers were written down', () => {
    expect(framesMade({ frames: { from: 'DSC_0120', to: 'DSC_0179' } })).toBe(60);
    expect(framesMade({ frames: { from: '9990', to: '0009' } })).toBe(20);
    expect(framesMade({ frames: { from: 'a', to: '12' } })).toBeNull();
    const frames = { from: '0001', to: '0040' };
    const [day] = chargeOfDay([shot(100, 0, { setup: { ...shot(100, 0).setup, frames } })], kitWith({ popsFull: 400 }));
    expect(day).toMatchObject({ frames: 40, made: true });
    expect(day!.lights[0]!.left).toBeCloseTo(0.9, 9);
  });

  it('nothing is lost: what is left and what was taken are what there was with its changes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 900 }), fc.integer({ min: -8, max: 0 })), { maxLength: 6 }),
        fc.integer({ min: 20, max: 900 }),
        (plan, popsFull) => {
          const told = leftAfter(
            plan.map(([frames, power]) => shot(frames, power)),
            kitWith({ popsFull }),
          );
          const taken = plan.reduce((sum, [frames, power]) => sum + (frames * 2 ** power) / popsFull, 0);
          const changes = told.reduce((sum, one) => sum + one.changes, 0);
          expect(told.at(-1)?.left ?? 1).toBeCloseTo(1 + changes - taken, 6);
          for (const { left } of told) expect(left).toBeGreaterThanOrEqual(-1e-6);
        },
      ),
    );
  });
});

describe('frames by their numbers', () => {
  const made = (from: string, to: string) => ({ frames: { from, to } });

  it('says which frames a setup was made with, over the end of the counter too', () => {
    expect(frameIn(made('DSC_4310', 'DSC_4319'), '4312')).toBe(true);
    expect(frameIn(made('4310', '4319'), 'DSC_4320.JPG')).toBe(false);
    expect(frameIn(made('9990', '12'), '3')).toBe(true);
    expect(frameIn(made('4310', ''), '4310')).toBe(true);
    expect(frameIn(made('', ''), '4310')).toBe(false);
    expect(frameIn(made('4310', '4319'), 'sun')).toBe(false);
  });
});
