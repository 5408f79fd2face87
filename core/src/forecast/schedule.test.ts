import { describe, expect, it } from '@jest/globals';

import { seeded } from '../devices';
import { type DialsAt, type FadingProblem, fadingSchedule, FOLLOWING_DIALS } from './schedule';

const thirds = (least: number, most: number) =>
  Array.from({ length: Math.round((most - least) * 3) + 1 }, (_, step) => least + step / 3);

/** An evening of few dials and minutes, so that everything can be tried. */
function evening(seed: number): FadingProblem {
  const uniform = seeded(seed);
  const minutes = 6 + Math.floor(uniform() * 6);
  const rate = uniform() * 0.35;
  const swing = uniform() * 0.3;
  const fall = Array.from({ length: minutes }, (_, minute) => -rate * minute + swing * Math.sin(minute * 1.3));
  const start = fall[0] ?? 0;
  const withLamp = uniform() < 0.4;
  const background = -2 + uniform() * 2;
  return {
    places: [
      {
        daylightStops: fall.map((stops) => stops - start - 1 - uniform() * 0.05),
        flashStops: -0.8 + uniform(),
        lampStops: withLamp ? -2 : null,
        withinStops: 1 / 3,
      },
      {
        daylightStops: fall.map((stops) => stops - start + background),
        flashStops: null,
        lampStops: null,
        withinStops: 1 / 3,
      },
    ],
    dials: {
      shutter: thirds(-1 / 3, 1),
      iso: thirds(0, 2 / 3),
      power: thirds(-1, 1 / 3),
      dimmer: withLamp ? [-1, -0.5, 0] : [0],
    },
    flashLossStops: () => 0,
  };
}

/** The light of a place by its own formula. */
function light(problem: FadingProblem, place: number, minute: number, { shutter, iso, power, dimmer }: DialsAt) {
  const { daylightStops, flashStops, lampStops } = problem.places[place]!;
  const sum =
    2 ** (daylightStops[minute]! + shutter + iso) +
    (flashStops === null ? 0 : 2 ** (flashStops + power + iso)) +
    (lampStops === null ? 0 : 2 ** (lampStops + dimmer + shutter + iso));
  return Math.log2(sum);
}

/** Every setting there is at every minute, from each to each: the fewest moves, and how far the light can be held. */
function bruteForce(problem: FadingProblem): { moves: number; minutes: number } {
  const { dials } = problem;
  const all: DialsAt[] = dials.shutter.flatMap((shutter) =>
    dials.iso.flatMap((iso) =>
      dials.power.flatMap((power) => dials.dimmer.map((dimmer) => ({ shutter, iso, power, dimmer }))),
    ),
  );
  const now: DialsAt = { shutter: 0, iso: 0, power: 0, dimmer: 0 };
  const wanted = problem.places.map((_, place) => light(problem, place, 0, now));
  let reached = [{ at: now, moves: 0 }];
  const minutes = problem.places[0]!.daylightStops.length;
  for (let minute = 1; minute < minutes; minute += 1) {
    const held = all.filter((at) =>
      problem.places.every((_, place) => Math.abs(light(problem, place, minute, at) - wanted[place]!) <= 1 / 3 + 1e-9),
    );
    if (held.length === 0) return { moves: Math.min(...reached.map(({ moves }) => moves)), minutes: minute };
    reached = held.map((at) => ({
      at,
      moves: Math.min(
        ...reached.map((from) => from.moves + FOLLOWING_DIALS.filter((dial) => from.at[dial] !== at[dial]).length),
      ),
    }));
  }
  return { moves: Math.min(...reached.map(({ moves }) => moves)), minutes };
}

describe('what follows fading light', () => {
  it('moves as little as any schedule can, over 200 random evenings tried out whole', () => {
    for (let seed = 1; seed <= 200; seed += 1) {
      const problem = evening(seed);
      const schedule = fadingSchedule(problem);
      const best = bruteForce(problem);
      expect({ seed, moves: schedule.changes.length, minutes: schedule.at.length }).toEqual({ seed, ...best });
      schedule.at.forEach((dials, minute) =>
        problem.places.forEach((_, place) => {
          const now = light(problem, place, 0, { shutter: 0, iso: 0, power: 0, dimmer: 0 });
          expect(Math.abs(light(problem, place, minute, dials) - now)).toBeLessThanOrEqual(1 / 3 + 1e-9);
        }),
      );
    }
  });

  it('reaches for the shutter first, and leaves the flash alone', () => {
    const falling = Array.from({ length: 13 }, (_, minute) => -minute / 12);
    const { changes, endsAtMinute } = fadingSchedule({
      places: [
        { daylightStops: falling.map((stops) => stops - 3), flashStops: 0, lampStops: null, withinStops: 1 / 3 },
        { daylightStops: falling, flashStops: null, lampStops: null, withinStops: 1 / 3 },
      ],
      dials: { shutter: thirds(0, 3), iso: thirds(0, 3), power: thirds(-3, 0), dimmer: [0] },
      flashLossStops: () => 0,
    });
    expect(endsAtMinute).toBeNull();
    // a third is left at the fifth minute, and not before
    expect(changes).toEqual([{ minute: 5, dial: 'shutter', stops: expect.any(Number) }]);
  });

  it('says when it ends and who ends it', () => {
    const falling = Array.from({ length: 61 }, (_, minute) => -minute / 10);
    const schedule = fadingSchedule({
      places: [
        { daylightStops: falling.map((stops) => stops - 3), flashStops: 0, lampStops: null, withinStops: 1 / 3 },
        { daylightStops: falling, flashStops: null, lampStops: null, withinStops: 1 / 3 },
      ],
      dials: { shutter: thirds(0, 1), iso: thirds(0, 6), power: thirds(-1, 0), dimmer: [0] },
      flashLossStops: () => 0,
    });
    // a stop of shutter, a stop of ISO with the flash down as far, and a third that each place may lie off
    expect(schedule.endsAtMinute).toBeGreaterThan(20);
    expect(schedule.endedBy).toEqual(expect.arrayContaining(['power']));
    expect(schedule.endedBy).not.toContain('iso');
  });
});
