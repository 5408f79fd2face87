import { describe, expect, it } from '@jest/globals';
import { decode, encode } from 'fast-png';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

import { labOf } from '../../test/lab';
import { usualPanel } from '../../test/panels';
import { PICTURE_SCENES, type RenderedScene, renderScene, sceneOf } from '../../test/pictureScenes';
import { english } from '../english';
import { pictureOf, toneMarks, weightsOf } from '../picture';
import { greyCardValue, strengthsOf } from '../picture/weights';
import { SKINS } from '../photometry';
import { SAMPLE_KIT } from '../sample';
import type { Setup } from '../setup';
import { solve } from '../solution';
import { TONE_MOST, TONE_STEPS, toneTable } from './base/tone';
import type { Vec } from './base/vector';
import { traceVisible } from './light/visibility';
import { MATERIAL } from './sculpture/bust';
import { lensOf } from './view';

const KEPT = join(__dirname, '../../test/pictures');
const scene = (name: string) => {
  const found = PICTURE_SCENES.find((one) => one.name === name);
  if (found === undefined) throw new Error(`no scene ${name}`);
  return found;
};
const rendered = new Map<string, RenderedScene>();
const show = (name: string): RenderedScene => {
  const known = rendered.get(name) ?? renderScene(scene(name));
  rendered.set(name, known);
  return known;
};

/** Mean light of linear rows round a place of the head, cm; brightness by default, or one channel. */
function near(
  { picture, framing: { view } }: RenderedScene,
  rows: Float32Array,
  [x, y, z]: Vec,
  radiusPx = 3,
  channel: number | null = null,
): number {
  const lens = lensOf(picture.scene.view, view.height);
  const to: Vec = [x - lens.from[0], y - lens.from[1], z - lens.from[2]];
  const along = (axis: Vec) => to[0] * axis[0] + to[1] * axis[1] + to[2] * axis[2];
  const [cx, cy] = [
    along(lens.right) / along(lens.forward) / lens.scale + view.width / 2,
    view.height / 2 - along(lens.up) / along(lens.forward) / lens.scale,
  ];
  let [sum, count] = [0, 0];
  for (let j = Math.round(cy) - radiusPx; j <= Math.round(cy) + radiusPx; j += 1)
    for (let i = Math.round(cx) - radiusPx; i <= Math.round(cx) + radiusPx; i += 1) {
      const q = (j * view.width + i) * 3;
      sum +=
        channel === null
          ? 0.2126 * (rows[q] ?? 0) + 0.7152 * (rows[q + 1] ?? 0) + 0.0722 * (rows[q + 2] ?? 0)
          : (rows[q + channel] ?? 0);
      count += 1;
    }
  return sum / count;
}
const whole = (one: RenderedScene) => one.composer.linear(one.layers, one.weights);
const layerOf = (one: RenderedScene, kind: string): Float32Array => {
  const at = one.picture.layers.findIndex(({ id, caster }) => id === kind || english.caster(caster).startsWith(kind));
  const rows = one.layers[at];
  if (rows === undefined) throw new Error(`no layer ${kind}`);
  return rows;
};
const stops = (a: number, b: number) => Math.log2(a / b);

const CHEEK = (side: number): Vec => [3.6 * side, -3.4, 8];
const SOCKET = (side: number): Vec => [3.1 * side, 0.9, 8];
const BESIDE_NOSE = (side: number): Vec => [2.2 * side, -4.6, 9];
const HAIR_EDGE = (side: number): Vec => [6.4 * side, 7, -1];
const UPPER_CORNER: Vec = [-62, 48, -600];
const CHIN_UNDER: Vec = [0, -12.2, 6.5];

describe('golden pictures', () => {
  it.each(PICTURE_SCENES.map(({ name }) => name))('%s', (name) => {
    const { composer, layers, weights, solution } = show(name);
    const { clipsAboveStops, noiseBelowStops } = solution.latitude ?? { clipsAboveStops: 3, noiseBelowStops: -5 };
    const { width, height, rgba } = composer.compose(layers, weights, {
      clipsAboveStops,
      noiseBelowStops: Math.abs(noiseBelowStops),
      marks: false,
    });
    const file = join(KEPT, `${name.replace(/[ ,]+/g, '-')}.png`);
    // written anew with UPDATE_PICTURES=1, and then looked at
    if (process.env['UPDATE_PICTURES'] === '1')
      writeFileSync(file, encode({ width, height, data: new Uint8Array(rgba), channels: 4, depth: 8 }));
    const kept = decode(readFileSync(file));
    expect([kept.width, kept.height]).toEqual([width, height]);
    let [sum, far] = [0, 0];
    for (let i = 0; i < rgba.length; i += 1) {
      const apart = Math.abs((rgba[i] ?? 0) - (kept.data[i] ?? 0));
      sum += apart;
      if (apart > 24) far += 1;
    }
    expect(sum / rgba.length).toBeLessThan(1);
    expect(far / rgba.length).toBeLessThan(0.01);
  });
});

describe('skin as a camera shows it', () => {
  /** A face lit evenly from the front, correctly: what of its skin gets all of the light, as it is shown. */
  const shownSkin = (skin: Setup['stage']['subject']['skin'], kelvin: number) => {
    const light = { pointId: 'face', kelvin, greenCc: 0, from: 'typed' } as const;
    const one = renderScene(
      sceneOf('skin', {
        subject: { skin },
        stage: { sun: { by: 'hand', sideDeg: 0, altitudeDeg: 28 } },
        colour: { ambient: [light], whiteBalance: { kelvin, greenCc: 0 } },
        look: { exposeBy: 'face', holdBackStops: 0.3 },
        faceEv: 13,
        backgroundEv: 12,
        wantedAv: 7,
      }),
    );
    const { view } = one.framing;
    const all = whole(one);
    const { rgba } = one.composer.compose(one.layers, one.weights, {
      clipsAboveStops: 3,
      noiseBelowStops: 5,
      marks: false,
    });
    const tone = 0.18 * 2 ** SKINS[skin].offsetStops;
    const lit = [...view.material.keys()].filter((o) => {
      const light = 0.2126 * all[o * 3]! + 0.7152 * all[o * 3 + 1]! + 0.0722 * all[o * 3 + 2]!;
      return view.material[o] === MATERIAL.skin && Math.abs(Math.log2(light / tone)) < 0.15;
    });
    expect(lit.length).toBeGreaterThan(100);
    const linear = (value: number) => (value <= 10 ? value / 255 / 12.92 : ((value / 255 + 0.055) / 1.055) ** 2.4);
    const mean = (k: number) => lit.reduce((sum, o) => sum + linear(rgba[o * 4 + k]!), 0) / lit.length;
    return labOf([mean(0), mean(1), mean(2)]);
  };
  /** The 8-bit grey of a lightness. */
  const greyOf = (lightness: number) => {
    const y = lightness > 8 ? ((lightness + 16) / 116) ** 3 : lightness / 903.3;
    return 255 * (y <= 0.0031308 ? 12.92 * y : 1.055 * y ** (1 / 2.4) - 0.055);
  };

  it.each(['light', 'medium', 'deep'] as const)('%s skin comes to the level of its tone', (skin) => {
    const [lightness] = shownSkin(skin, 5500);
    const level = toneTable(3)[Math.round(((0.18 * 2 ** SKINS[skin].offsetStops) / TONE_MOST) * TONE_STEPS)]!;
    expect(Math.abs(greyOf(lightness) - level)).toBeLessThanOrEqual(8);
  });

  // the named box: hue between red-orange and yellow-orange, 35° to 68°; chroma 12 to 42
  it.each([
    ['daylight', 5500],
    ['shade', 7500],
    ['tungsten', 3000],
    ['dusk', 9500],
  ])('keeps the hue of skin in %s at its white balance', (_, kelvin) => {
    for (const skin of ['light', 'medium', 'deep'] as const) {
      const [, a, b] = shownSkin(skin, kelvin);
      const hue = (Math.atan2(b, a) * 180) / Math.PI;
      expect(hue).toBeGreaterThan(35);
      expect(hue).toBeLessThan(68);
      expect(Math.hypot(a, b)).toBeGreaterThan(12);
      expect(Math.hypot(a, b)).toBeLessThan(42);
    }
  });
});

describe('what the light does', () => {
  it('backlit without a key: the sun rims hair and shoulder on its side, and no direct sun is on the face', () => {
    const one = show('backlit sun, no key');
    const sun = layerOf(one, 'sun');
    expect(near(one, sun, HAIR_EDGE(1))).toBeGreaterThan(3 * near(one, sun, HAIR_EDGE(-1)));
    expect(near(one, sun, CHEEK(-1))).toBeLessThan(0.12 * near(one, sun, HAIR_EDGE(1)));
    const shoulder = Math.max(
      ...Array.from({ length: 60 }, (_, i) => near(one, sun, [10 + (i % 10), -14 - Math.floor(i / 10) * 1.5, -5], 0)),
    );
    expect(shoulder).toBeGreaterThan(4 * near(one, sun, [8, -30, 6]));
  });

  it('backlit with a key: the face opens against the background, the rim stays', () => {
    const [without, withKey] = [show('backlit sun, no key'), show('backlit sun with key')];
    const sets = (one: RenderedScene) => stops(near(one, whole(one), CHEEK(-1)), near(one, whole(one), UPPER_CORNER));
    expect(sets(withKey)).toBeGreaterThan(sets(without) + 0.6);
    expect(near(withKey, whole(withKey), HAIR_EDGE(1))).toBeGreaterThan(near(withKey, whole(withKey), HAIR_EDGE(-1)));
  });

  it('a bare flash from the side: one cheek lit, the other dark, and the nose throws its shadow away from it', () => {
    const one = show('bare side flash');
    const key = layerOf(one, 'Key');
    expect(stops(near(one, key, CHEEK(1)), near(one, key, CHEEK(-1)))).toBeGreaterThan(2);
    expect(stops(near(one, key, BESIDE_NOSE(1)), near(one, key, BESIDE_NOSE(-1)))).toBeGreaterThan(3);
    // hard: it goes from light to dark within a few pixels of the nose's edge
    expect(near(one, key, [-1.6, -3.2, 9.5], 1)).toBeLessThan(0.35 * near(one, key, [1, -3.2, 10], 1));
  });

  it('clamshell: both sides alike, and the light from below fills under the chin where the key does not reach', () => {
    const one = show('clamshell');
    const both = whole(one);
    expect(Math.abs(stops(near(one, both, CHEEK(1)), near(one, both, CHEEK(-1))))).toBeLessThan(0.15);
    expect(near(one, layerOf(one, 'Fill'), CHIN_UNDER)).toBeGreaterThan(0);
    const underShare = (kind: string) =>
      near(one, layerOf(one, kind), CHIN_UNDER) / near(one, layerOf(one, kind), CHEEK(1));
    expect(underShare('Fill')).toBeGreaterThan(3 * underShare('Key'));
  });

  it('a hat under a high sun: the brim takes the eyes out of it; fill brings them back by a stop and more', () => {
    const [bare, filled] = [show('hat, no fill'), show('hat with fill')];
    const sun = layerOf(bare, 'sun');
    expect(stops(near(bare, sun, SOCKET(-1)), near(bare, sun, BESIDE_NOSE(-1)))).toBeLessThan(-2);
    const sockets = (one: RenderedScene) => stops(near(one, whole(one), SOCKET(1)), near(one, whole(one), CHEEK(-1)));
    expect(sockets(bare)).toBeLessThan(-0.9);
    expect(sockets(filled)).toBeGreaterThan(sockets(bare) + 0.5);
  });

  it('a warm key against blue dusk: the face warmer than what lies behind it', () => {
    const one = show('warm key, blue dusk');
    const all = whole(one);
    const warmth = (place: Vec) => near(one, all, place, 3, 0) / near(one, all, place, 3, 2);
    expect(warmth(CHEEK(-1))).toBeGreaterThan(1.8 * warmth(UPPER_CORNER));
  });

  it('a rim: hair and shoulder of its side, nothing on the nose', () => {
    const one = show('rim');
    const rim = layerOf(one, 'Rim');
    expect(near(one, rim, HAIR_EDGE(-1))).toBeGreaterThan(4 * near(one, rim, HAIR_EDGE(1)));
    expect(near(one, rim, [0, -3.5, 11], 2)).toBeLessThan(0.05 * near(one, rim, HAIR_EDGE(-1)));
  });

  it('a group: every one is seen, and the light falls off to the back', () => {
    const one = show('group');
    const key = layerOf(one, 'Key');
    const people = new Set(
      [...one.framing.view.person].filter((_, o) => one.framing.view.material[o] === MATERIAL.skin),
    );
    expect(people.size).toBe(one.picture.scene.people.length);
    const at = (index: number): Vec => {
      const [x, y, z] = one.picture.scene.people[index]?.at ?? [0, 0, 0];
      return [x, y - 3, z + 9];
    };
    expect(near(one, key, at(6), 1)).toBeGreaterThan(near(one, key, at(1), 1));
  });

  it('a larger source at the same place draws a wider shadow edge', () => {
    const edge = (modifierId: string | null) => {
      const one = renderScene(
        sceneOf('edge', {
          lights: [{ role: 'key', sideDeg: 50, heightM: 0.4, distanceM: 1.2, modifierId }],
          faceEv: 7,
          backgroundEv: 6,
          look: { holdBackStops: 3 },
        }),
      );
      const { view, model } = one.framing;
      const source = one.picture.layers.find(({ kind }) => kind === 'flash')?.source;
      if (source == null) throw new Error('no key');
      const visible = new Float32Array(view.width * view.height);
      traceVisible(view, model, source, 0, view.height, { samples: 24, step: 1, mask: null, seed: 1 }, visible);
      return visible.reduce(
        (count, share, o) => count + (view.material[o] === MATERIAL.skin && share > 0.1 && share < 0.9 ? 1 : 0),
        0,
      );
    };
    expect(edge(SAMPLE_KIT.modifiers[0]?.id ?? null)).toBeGreaterThan(2 * edge(null));
  });

  it('a black panel darkens its side, a flag takes the sun off the face, spectacles mirror a light that is seen in them', () => {
    const plain = sceneOf('plain', {
      stage: { sun: { by: 'hand', sideDeg: -30, altitudeDeg: 35 } },
      look: { holdBackStops: 0.3 },
      faceEv: 14,
      backgroundEv: 13,
      wantedAv: 7,
    });
    const withPanel = (panel: ReturnType<typeof usualPanel>) =>
      renderScene({ ...plain, setup: { ...plain.setup, panels: [panel] } });
    const bare = renderScene(plain);
    const black = withPanel(usualPanel('reflector', { surface: 'black', sideDeg: 75, distanceM: 0.5, heightM: 0 }));
    expect(near(black, layerOf(black, 'soft'), CHEEK(1))).toBeLessThan(
      0.85 * near(bare, layerOf(bare, 'soft'), CHEEK(1)),
    );
    const flag = withPanel(usualPanel('flag', { sideDeg: -30, distanceM: 1, heightM: 0.65 }));
    expect(near(flag, layerOf(flag, 'sun'), CHEEK(-1))).toBeLessThan(0.1 * near(bare, layerOf(bare, 'sun'), CHEEK(-1)));
    const glasses = (heightM: number) => {
      const one = renderScene(
        sceneOf('glasses', {
          subject: { spectacles: true },
          lights: [{ role: 'key', sideDeg: 8, heightM, distanceM: 1.3 }],
          faceEv: 7,
          backgroundEv: 6,
          look: { holdBackStops: 3 },
        }),
      );
      return Math.max(
        ...[-1, 1].flatMap((side) => [-0.6, 0, 0.5].map((y) => near(one, layerOf(one, 'Key'), [3.3 * side, y, 9], 1))),
      );
    };
    expect(glasses(0.1)).toBeGreaterThan(2 * glasses(1.1));
  });
});

describe('the picture and the ladder agree', () => {
  it('a card at the face composes to where the solution says, under light from the front', () => {
    for (const holdBackStops of [0.5, 1, 2, 3]) {
      const { setup, facts } = sceneOf('card', {
        lights: [{ role: 'key', sideDeg: 0, heightM: 0, distanceM: 2 }],
        look: { holdBackStops },
        faceEv: 8,
        backgroundEv: 8,
      });
      const solution = solve(setup, SAMPLE_KIT, facts, new Date('2026-02-27T16:00:00Z'));
      const face = solution.points.find(({ role }) => role === 'face');
      const value = greyCardValue(setup, SAMPLE_KIT, solution, pictureOf(setup, SAMPLE_KIT, solution), [0, 0, 1]);
      expect(Math.abs(Math.log2((value ?? NaN) / 0.18) - (face?.totalStops ?? NaN))).toBeLessThan(0.02);
    }
  });

  it('the wall behind lands where its reading says', () => {
    const one = renderScene(
      sceneOf('wall', {
        stage: { background: 'wall' },
        lights: [],
        look: { holdBackStops: 0.3 },
        faceEv: 8,
        backgroundEv: 9.5,
      }),
    );
    const { view } = one.framing;
    const background = one.solution.points.find(({ role }) => role === 'background');
    const all = whole(one);
    const [x, y] = [Math.floor(view.width * 0.08), Math.floor(view.height * 0.2)];
    const q = (y * view.width + x) * 3;
    expect(view.material[y * view.width + x]).toBe(MATERIAL.backdrop);
    expect(
      Math.abs(
        Math.log2(((all[q + 1] ?? NaN) * 0.18) / (view.albedo[q + 1] ?? NaN) / 0.18) -
          (background?.ambientStops ?? NaN),
      ),
    ).toBeLessThan(0.25);
  });

  it("marks carry the ladder's own numbers, and lie on what they name", () => {
    const one = show('rim');
    const marks = toneMarks(scene('rim').setup, one.solution, one.picture, {
      ...one.framing.view,
      materials: one.framing.view.material,
    });
    expect(marks.map(({ pointId }) => pointId).sort()).toEqual(['background', 'face', 'hair']);
    for (const { pointId, placedStops, x, y } of marks) {
      expect(placedStops).toBe(one.solution.points.find((point) => point.pointId === pointId)?.placedStops);
      expect(Math.min(x, y)).toBeGreaterThan(0);
      expect(Math.max(x, y)).toBeLessThan(1);
    }
  });

  it('showing a part leaves the rest out, and the parts together are the whole', () => {
    const { setup } = scene('rim');
    const one = show('rim');
    const of = (showing: Parameters<typeof weightsOf>[4]) =>
      weightsOf(setup, SAMPLE_KIT, one.solution, one.picture, showing) ?? new Float64Array(0);
    const [all, ambient, flash] = [of('all'), of('ambient'), of('flash')];
    all.forEach((value, i) => expect((ambient[i] ?? 0) + (flash[i] ?? 0)).toBeCloseTo(value, 12));
    const first = one.picture.layers.findIndex(({ kind }) => kind === 'flash');
    const only = of({ only: one.picture.layers[first]?.id ?? '' });
    only.forEach((value, i) => expect(value).toBe(Math.floor(i / 9) === first ? all[i] : 0));
    expect(
      weightsOf(setup, SAMPLE_KIT, solve(setup, SAMPLE_KIT, [], new Date('2026-02-27T16:00:00Z')), one.picture),
    ).toBeNull();
  });

  it("a reflector's layer weighs by what falls on it: none in the dark, more from silver than from white", () => {
    const held = (surface: 'white' | 'silver') => {
      const { setup, facts } = sceneOf('held', {
        over: { panels: [usualPanel('reflector', { surface })] },
        lights: [{ role: 'key', sideDeg: 60, distanceM: 1.5 }],
        look: { holdBackStops: 2 },
        faceEv: 8,
        backgroundEv: 8,
      });
      const solution = solve(setup, SAMPLE_KIT, facts, new Date('2026-02-27T16:00:00Z'));
      const picture = pictureOf(setup, SAMPLE_KIT, solution);
      return (
        strengthsOf(setup, SAMPLE_KIT, solution, picture)?.at.get(
          picture.layers.find(({ id }) => id.startsWith('panel:'))?.id ?? '',
        )?.[0] ?? NaN
      );
    };
    expect(held('white')).toBeGreaterThan(0);
    expect(held('silver')).toBeGreaterThan(held('white'));
  });
});
