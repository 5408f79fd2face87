import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { bakeGrid, exactDistance, gridDistance, traceGrid } from './brickGrid';
import { BUST_BOX, type BustLook, EYE, MATERIAL, sculptBust } from './bust';
import { found, JOIN } from './distanceTape';
import { bakeSculpture, meetsPeople, met, modelOf, passedShare, tracePeople } from './model';
import { HAIR_TONES, paintAt, painted, SKIN_TONES } from './paint';
import { TapeBuilder } from './tapeBuilder';

const PLAIN: BustLook = { hat: false, spectacles: false, deepSet: false };
const LOOK = { ...PLAIN, skin: SKIN_TONES.light, hair: HAIR_TONES.dark };
const tape = sculptBust(PLAIN);
const grid = bakeGrid(tape, BUST_BOX, 0.5);
const whole = (x: number, y: number, z: number) => tape.distance(tape.all, 0, tape.length, x, y, z);
const inBox = fc.tuple(
  fc.double({ min: -26, max: 26, noNaN: true }),
  fc.double({ min: -50, max: 17, noNaN: true }),
  fc.double({ min: -17, max: 17, noNaN: true }),
);

describe('a distance tape', () => {
  it('a ball is as far as it is', () => {
    const ball = new TapeBuilder().ball(0, JOIN.set, 0, [1, 2, 3], 2).material(0, 4).tape();
    fc.assert(
      fc.property(inBox, ([x, y, z]) => {
        expect(ball.distance(ball.all, 0, ball.length, x, y, z)).toBeCloseTo(Math.hypot(x - 1, y - 2, z - 3) - 2, 2);
        expect(found.material).toBe(4);
      }),
    );
  });

  it('joins: the nearer, the farther, and what is left of one without the other; a soft join never lies outside a hard one', () => {
    const two = (join: 1 | 2 | 3, soft: number) =>
      new TapeBuilder().ball(0, JOIN.set, 0, [0, 0, 0], 3).ball(0, join, soft, [4, 0, 0], 3).material(0, 1).tape();
    const [a, b] = [(x: number) => Math.abs(x) - 3, (x: number) => Math.abs(x - 4) - 3];
    for (let x = -6; x <= 10; x += 0.5) {
      const at = (join: 1 | 2 | 3, soft = 1e-6) => {
        const one = two(join, soft);
        return one.distance(one.all, 0, one.length, x, 0, 0);
      };
      expect(at(JOIN.unite)).toBeCloseTo(Math.min(a(x), b(x)), 3);
      expect(at(JOIN.intersect)).toBeCloseTo(Math.max(a(x), b(x)), 3);
      expect(at(JOIN.subtract)).toBeCloseTo(Math.max(a(x), -b(x)), 3);
      expect(at(JOIN.unite, 2)).toBeLessThanOrEqual(at(JOIN.unite) + 1e-6);
    }
  });

  it('pruned to a region it says the same inside it', () => {
    const out = new Uint16Array(tape.length);
    fc.assert(
      fc.property(
        inBox,
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        fc.tuple(
          fc.double({ min: -1, max: 1, noNaN: true }),
          fc.double({ min: -1, max: 1, noNaN: true }),
          fc.double({ min: -1, max: 1, noNaN: true }),
        ),
        ([x, y, z], radius, [dx, dy, dz]) => {
          const count = tape.prune(tape.all, tape.length, x, y, z, radius, out);
          const reach = radius / Math.sqrt(3);
          const at = [x + dx * reach, y + dy * reach, z + dz * reach] as const;
          const full = whole(...at);
          // only what is near the surface is ever asked of a pruned tape
          if (Math.abs(full) < radius) expect(Math.abs(tape.distance(out, 0, count, ...at) - full)).toBeLessThan(0.02);
          expect(count).toBeLessThanOrEqual(tape.length);
        },
      ),
      { numRuns: 400 },
    );
  });

  it('blocks of points are what single points are', () => {
    const [xs, ys, zs, out] = [new Float64Array(50), new Float64Array(50), new Float64Array(50), new Float32Array(50)];
    fc.assert(
      fc.property(fc.array(inBox, { minLength: 50, maxLength: 50 }), (places) => {
        places.forEach(([x, y, z], i) => {
          xs[i] = x;
          ys[i] = y;
          zs[i] = z;
        });
        tape.distances(tape.all, tape.length, 50, xs, ys, zs, out);
        expect(places.every(([x, y, z], i) => Math.abs((out[i] ?? NaN) - whole(x, y, z)) < 1e-3)).toBe(true);
      }),
      { numRuns: 10 },
    );
  });
});

describe('the bust', () => {
  it("has a real head's proportions: nose before lips before chin, eyes in their sockets, both halves alike", () => {
    const front = (x: number, y: number) => {
      const t = traceGrid(grid, x, y, 60, 0, 0, -1, 0, 100, 0.01);
      return t < 0 ? NaN : 60 - t;
    };
    expect(front(0, -3.7)).toBeGreaterThan(front(0, -7.6) + 0.8);
    expect(front(0, -7.6)).toBeGreaterThan(front(0, -8.9) - 0.2);
    expect(front(EYE.x, 0)).toBeLessThan(front(EYE.x, 2));
    for (const y of [3, 0, -4, -8, -30]) expect(front(4, y)).toBeCloseTo(front(-4, y), 1);
    expect(front(0, 0)).toBeGreaterThan(8);
    expect(Number.isNaN(front(0, 16))).toBe(true);
  });

  it('a hat shades, spectacles stand before the eyes, deep-set eyes lie further back under the brow', () => {
    const at = (look: BustLook, x: number, y: number, z: number) => {
      const one = sculptBust(look);
      return one.distance(one.all, 0, one.length, x, y, z);
    };
    expect(at({ ...PLAIN, hat: true }, 0, 6, 13)).toBeLessThan(at(PLAIN, 0, 6, 13) - 1);
    expect(at({ ...PLAIN, spectacles: true }, 0.5, 0.2, 9.7)).toBeLessThan(0.3);
    expect(at({ ...PLAIN, deepSet: true }, 2, 1.6, 10)).toBeLessThan(at(PLAIN, 2, 1.6, 10) - 0.2);
  });

  it('is painted by what it is: lips redder than skin, deep skin darker than light, pupils nearly black', () => {
    const paint = (
      material: number,
      place: readonly [number, number, number],
      skin: readonly [number, number, number] = SKIN_TONES.light,
    ) => {
      paintAt(material, ...place, skin, HAIR_TONES.dark);
      return [...painted];
    };
    const [cheek, lip, deep, pupil] = [
      paint(MATERIAL.skin, [1, -2, 9]),
      paint(MATERIAL.skin, [0, -7.6, 9.6]),
      paint(MATERIAL.skin, [1, -2, 9], SKIN_TONES.deep),
      paint(MATERIAL.eye, [EYE.x, EYE.y, EYE.z + 1.3]),
    ];
    expect((lip[0] ?? 0) / (lip[1] ?? 1)).toBeGreaterThan((cheek[0] ?? 0) / (cheek[1] ?? 1));
    expect(deep[1]).toBeLessThan((cheek[1] ?? 0) / 3);
    expect(pupil[1]).toBeLessThan(0.02);
  });
});

describe('the brick grid', () => {
  it('agrees with the tape near the surface, and never reaches past it in the open', () => {
    fc.assert(
      fc.property(inBox, ([x, y, z]) => {
        const [full, baked] = [whole(x, y, z), gridDistance(grid, x, y, z)];
        if (Math.abs(full) < 0.4 && y > -22) expect(Math.abs(baked - full)).toBeLessThan(0.25);
        if (full > 4) expect(baked).toBeLessThanOrEqual(full * 1.3 + 0.5);
        if (Math.abs(full) < 0.4) expect(Math.abs(exactDistance(grid, tape, x, y, z) - full)).toBeLessThan(0.02);
      }),
      { numRuns: 500 },
    );
    expect(gridDistance(grid, 500, 0, 0)).toBe(1e3);
  });

  it('a ray that meets the bust ends on its surface; one beside it meets nothing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -10, max: 10, noNaN: true }),
        fc.double({ min: -40, max: 10, noNaN: true }),
        fc.integer({ min: -60, max: 60 }),
        (x, y, deg) => {
          const [dx, dz] = [Math.sin((deg * Math.PI) / 180), -Math.cos((deg * Math.PI) / 180)];
          const t = traceGrid(grid, x - dx * 60, y, -dz * 60, dx, 0, dz, 0, 200, 0.01);
          if (t >= 0) expect(Math.abs(whole(x - dx * 60 + dx * t, y, -dz * 60 + dz * t))).toBeLessThan(0.35);
        },
      ),
      { numRuns: 200 },
    );
    expect(traceGrid(grid, 40, 0, 60, 0, 0, -1, 0, 200, 0.01)).toBe(-1);
  });
});

describe('people in the way', () => {
  const sculpture = bakeSculpture(LOOK, 0.8);
  const scene = (bodies: boolean) =>
    modelOf(sculpture, {
      people: [
        { at: [0, 0, 0], turn: 0 },
        { at: [60, 0, -100], turn: Math.PI / 2 },
      ],
      blockers: [],
      bodies,
      groundY: -160,
    });
  it('the nearer one is met; a body only where bodies stand', () => {
    const one = scene(true);
    expect(tracePeople(one, 0, -4, 200, 0, 0, -1, 0, 500, 0.05)).toBeGreaterThan(180);
    expect([met.person, met.body]).toEqual([0, false]);
    expect(tracePeople(one, 60, 2, 200, 0, 0, -1, 0, 500, 0.05)).toBeGreaterThan(280);
    expect(met.person).toBe(1);
    expect(tracePeople(one, 0, -120, 200, 0, 0, -1, 0, 500, 0.05)).toBeGreaterThan(170);
    expect(met.body).toBe(true);
    expect(tracePeople(scene(false), 0, -120, 200, 0, 0, -1, 0, 500, 0.05)).toBe(-1);
    expect(meetsPeople(one, 0, -4, 200, 0, 0, -1, 100)).toBe(false);
    expect(meetsPeople(one, 0, -4, 200, 0, 0, -1, 400)).toBe(true);
  });

  it('a turned head turns its nose to where it looks', () => {
    const turned = modelOf(sculpture, {
      people: [{ at: [0, 0, 0], turn: Math.PI / 2 }],
      blockers: [],
      bodies: false,
      groundY: -160,
    });
    const fromRight = tracePeople(turned, 200, -3.7, 0, -1, 0, 0, 0, 500, 0.05);
    expect(fromRight).toBeLessThan(190);
    expect(tracePeople(turned, -200, -3.7, 0, 1, 0, 0, 0, 500, 0.05)).toBeGreaterThan(fromRight);
  });

  it('a flat thing lets its share through what crosses it', () => {
    const panel = {
      centre: [0, 0, 50],
      normal: [0, 0, 1],
      across: [1, 0, 0],
      up: [0, 1, 0],
      halfAcross: 20,
      halfUp: 10,
      round: false,
      passes: 0.25,
    } as const;
    expect(passedShare([panel], 0, 0, 0, 0, 0, 1, 200)).toBe(0.25);
    expect(passedShare([panel, { ...panel, centre: [0, 0, 80] }], 0, 0, 0, 0, 0, 1, 200)).toBe(0.0625);
    expect(passedShare([panel], 0, 15, 0, 0, 0, 1, 200)).toBe(1);
    expect(passedShare([panel], 0, 0, 0, 0, 0, 1, 40)).toBe(1);
    expect(passedShare([{ ...panel, round: true }], 19, 9, 0, 0, 0, 1, 200)).toBe(1);
  });
});
