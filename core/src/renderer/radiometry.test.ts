import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { labOf } from '../../test/lab';
import { finished, PICTURE_SCENES, renderScene } from '../../test/pictureScenes';
import { rectangleConfigurationFactor } from '../modifiers/areaSource';
import { SKINS } from '../photometry';
import type { Rgb } from './base/rgb';
import { type Development, TONE_MOST, TONE_STEPS, toneTable } from './base/tone';
import { unit, type Vec } from './base/vector';
import { Composer, evenWeights } from './compose';
import { frameScene, type Framing, renderSoft, renderSource } from './layer';
import { openSky, room } from './light/sky';
import { softOnCard } from './light/softLight';
import { areaSource, CARD, cosineBeam, DOME, lightAt, type Source } from './light/source';
import type { PictureScene } from './scene';
import { MATERIAL } from './sculpture/bust';
import { bakeSculpture, modelOf } from './sculpture/model';
import { HAIR_TONES, SKIN_TONES } from './sculpture/paint';
import { plainSums, vectorSums } from './sums';

const CM = 100;
/** A face of light at a distance in front of the origin, looking at it. */
const before = (metres: number, widthM: number, heightM: number, outline: 'round' | 'rectangle'): Source =>
  areaSource([0, 0, metres * CM], [0, 0, -1], widthM * CM, heightM * CM, outline, cosineBeam());
const TO_IT: Vec = [0, 0, 1];
const ORIGIN: Vec = [0, 0, 0];

describe('light of a source against closed forms', () => {
  it('a point falls with the square of the distance', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 10, noNaN: true }), (d) => {
        expect(lightAt(before(d, 0.01, 0.01, 'round'), ORIGIN, TO_IT, CARD) * d * d).toBeCloseTo(1, 2);
      }),
    );
  });

  it('a disc on its axis gives 1/(d² + R²)', () => {
    for (const [d, diameter] of [
      [0.5, 0.9],
      [0.9, 0.9],
      [1.5, 0.6],
      [3, 1.5],
    ] as const)
      expect(
        lightAt(before(d, diameter, diameter, 'round'), ORIGIN, TO_IT, CARD, 256) * (d * d + (diameter / 2) ** 2),
      ).toBeCloseTo(1, 2);
  });

  it('a disc beside its axis gives the configuration factor of a parallel element', () => {
    for (const [h, r, R] of [
      [1, 0.5, 0.45],
      [0.8, 1, 0.45],
      [2, 1.5, 0.5],
    ] as const) {
      const factor = 0.5 * (1 - (h * h + r * r - R * R) / Math.sqrt((h * h + r * r + R * R) ** 2 - 4 * R * R * r * r));
      const light = lightAt(before(h, 2 * R, 2 * R, 'round'), [r * CM, 0, 0], TO_IT, CARD, 256);
      expect((light * R * R) / factor).toBeCloseTo(1, 2); // E = π·I/A·F with I = 1 and A = πR²
    }
  });

  it('a rectangle gives its configuration factor, on its axis and beside it', () => {
    const quarter = (x: number, y: number, d: number) =>
      (Math.sign(x * y) * rectangleConfigurationFactor(2 * Math.abs(x), 2 * Math.abs(y), d)) / 4;
    for (const [w, h, d, x, y] of [
      [0.6, 0.6, 0.8, 0, 0],
      [1.2, 1.8, 1.5, 0, 0],
      [0.6, 0.6, 1, 0.5, 0.2],
      [1.2, 0.8, 1, 0.9, 0.1],
    ] as const) {
      const factor =
        quarter(w / 2 - x, h / 2 - y, d) +
        quarter(w / 2 + x, h / 2 - y, d) +
        quarter(w / 2 - x, h / 2 + y, d) +
        quarter(w / 2 + x, h / 2 + y, d);
      expect(
        (lightAt(before(d, w, h, 'rectangle'), [x * CM, y * CM, 0], TO_IT, CARD, 512) * w * h) / Math.PI / factor,
      ).toBeCloseTo(1, 1.5);
    }
  });

  it('a card answers with the cosine, a dome with (1 + cos θ)/2', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 180 }), (deg) => {
        const facing: Vec = [Math.sin((deg * Math.PI) / 180), 0, Math.cos((deg * Math.PI) / 180)];
        const point = before(10, 0.01, 0.01, 'round');
        expect(lightAt(point, ORIGIN, facing, CARD) * 100).toBeCloseTo(Math.max(0, Math.cos((deg * Math.PI) / 180)), 3);
        expect(lightAt(point, ORIGIN, facing, DOME) * 100).toBeCloseTo((1 + Math.cos((deg * Math.PI) / 180)) / 2, 3);
        expect(lightAt({ kind: 'sun', towards: TO_IT }, ORIGIN, facing, DOME)).toBeCloseTo((1 + facing[2]) / 2, 12);
      }),
    );
  });

  it('a sky gives a card that faces up 1, a closed room about the same all round', () => {
    const place = { groundY: -160, backdrop: { kind: 'sky', z: -4000, albedo: [0.2, 0.2, 0.2] } } as const;
    const up: Vec = [0, 1, 0];
    expect(softOnCard({ ...place, sky: openSky(unit([0, 1, 1])), groundAlbedo: [0, 0, 0] }, up)).toBeCloseTo(1, 1);
    const inRoom = (facing: Vec) => softOnCard({ ...place, sky: room(), groundAlbedo: [0.7, 0.7, 0.7] }, facing);
    expect(Math.abs(Math.log2(inRoom([0, 0, 1]) / inRoom([1, 0, 0])))).toBeLessThan(0.05);
  });
});

/** A wall where the face would be, nobody near it: what a card at the metered place shows. */
function cardScene(over: Partial<PictureScene> = {}): Framing {
  const scene: PictureScene = {
    look: { hat: false, spectacles: false, deepSet: false, skin: SKIN_TONES.light, hair: HAIR_TONES.dark },
    people: [{ at: [9000, 0, 0], turn: 0 }],
    bodies: false,
    groundY: -100_000,
    groundAlbedo: [0.2, 0.2, 0.2],
    backdrop: { kind: 'wall', z: 0, albedo: [0.18, 0.18, 0.18] },
    sky: openSky(unit([0, 1, 1])),
    blockers: [],
    view: { from: [0, 0, 200], at: [0, 0, 0], heightCm: 30 },
    ...over,
  };
  return frameScene(scene, modelOf(bakeSculpture(scene.look, 0.8), scene), 30, 40, { from: 0, to: 40 });
}
const middle = (layer: Float32Array): number => layer[(20 * 30 + 15) * 3 + 1] ?? NaN;

describe('layers', () => {
  it('agree with the light at their place, for sources on and beside the axis', () => {
    const framing = cardScene();
    const at = (15.5 - 15) * framing.view.lens.scale * 200;
    for (const [x, y, z] of [
      [0, 0, 150],
      [100, 80, 120],
      [-160, 20, 90],
    ] as const) {
      const source = areaSource([x, y, z], [-x, -y, -z], 60, 60, 'round', cosineBeam());
      const layer = finished(renderSource(framing, source, 'fine', 1));
      const albedo = framing.view.albedo[(20 * 30 + 15) * 3 + 1] ?? 0;
      expect((middle(layer) * Math.PI) / albedo / lightAt(source, [at, 0, 0], TO_IT, CARD)).toBeCloseTo(1, 1.5);
    }
  });

  it('a grey card at a metered point composes to mid grey', () => {
    const wanted = { softStops: -1, keyStops: Math.log2(1 - 2 ** -1) };
    const framing = cardScene({ sky: openSky(unit([0, 0.5, 1])) });
    const key = before(1.5, 0.9, 0.9, 'round');
    const layers = [renderSoft(framing, 'fine'), finished(renderSource(framing, key, 'fine', 1))];
    const albedo = 0.18 / (framing.view.albedo[(20 * 30 + 15) * 3 + 1] ?? 1);
    const weights = new Float64Array(18);
    const put = (at: number, stops: number, received: number) => {
      const w = (albedo * Math.PI * 2 ** stops) / received;
      weights.set(evenWeights([w, w, w]), at * 9);
    };
    put(0, wanted.softStops, softOnCard(framing.scene, TO_IT));
    put(1, wanted.keyStops, lightAt(key, ORIGIN, TO_IT, DOME));
    const composer = new Composer(30, 40);
    composer.setFraming(framing.view.material, []);
    expect(Math.abs(Math.log2(middle(composer.linear(layers, weights)) / 0.18))).toBeLessThan(0.02);
    const { rgba } = composer.compose(layers, weights, { clipsAboveStops: 3, noiseBelowStops: 5, marks: false });
    expect(Math.abs((rgba[(20 * 30 + 15) * 4 + 1] ?? 0) - 118)).toBeLessThanOrEqual(1);
  });

  it('add up: the picture of two is the sum of the pictures of each, to rounding', () => {
    const { composer, layers, weights } = renderScene(
      PICTURE_SCENES[1] as (typeof PICTURE_SCENES)[number],
      0.15,
      'draft',
    );
    const whole = composer.linear(layers, weights);
    const apart = layers.map((_, at) =>
      composer.linear(
        layers,
        weights.map((value, i) => (Math.floor(i / 9) === at ? value : 0)),
      ),
    );
    expect(
      whole.every(
        (value, i) => Math.abs(value - apart.reduce((sum, one) => sum + (one[i] ?? 0), 0)) < 1e-4 * (1 + value),
      ),
    ).toBe(true);
  });

  it('light is never negative and always a number, wherever a source stands', () => {
    const { framing } = renderScene(PICTURE_SCENES[0] as (typeof PICTURE_SCENES)[number], 0.08, 'draft');
    const coordinate = fc.integer({ min: -300, max: 300 });
    fc.assert(
      fc.property(
        coordinate,
        coordinate,
        coordinate,
        fc.integer({ min: 1, max: 300 }),
        fc.constantFrom('round', 'rectangle', 'octagon'),
        (x, y, z, size, outline) => {
          const layer = finished(
            renderSource(framing, areaSource([x, y, z], [-x, -y, -z], size, size, outline, cosineBeam()), 'fine', 1),
          );
          expect(layer.every((value) => value >= 0 && Number.isFinite(value))).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('the same seed gives the same picture, another one another grain of it; a draft is close to it', () => {
    const { framing } = renderScene(PICTURE_SCENES[1] as (typeof PICTURE_SCENES)[number], 0.25, 'draft');
    const key = areaSource([-100, 80, 100], [100, -80, -100], 90, 90, 'octagon', cosineBeam());
    const render = (quality: 'draft' | 'fine', seed: number) => finished(renderSource(framing, key, quality, seed));
    const [fine, again, other, draft] = [render('fine', 1), render('fine', 1), render('fine', 2), render('draft', 1)];
    const most = Math.max(...fine);
    const apart = (a: Float32Array, b: Float32Array) =>
      Math.sqrt(a.reduce((sum, value, i) => sum + (value - (b[i] ?? 0)) ** 2, 0) / a.length) / most;
    expect(again).toEqual(fine);
    expect(apart(fine, other)).toBeGreaterThan(0);
    expect(apart(fine, other)).toBeLessThan(0.03);
    expect(apart(fine, draft)).toBeLessThan(0.06);
  });

  it('rows rendered apart are the rows of the whole', () => {
    const scene = PICTURE_SCENES[1] as (typeof PICTURE_SCENES)[number];
    const { framing, layers } = renderScene(scene, 0.2, 'fine');
    const { width, height } = framing.view;
    const lower = frameScene(framing.scene, framing.model, width, height, { from: height / 2, to: height });
    expect(renderSoft(lower, 'fine').length).toBe((width * height * 3) / 2);
    const key = areaSource([-100, 80, 100], [100, -80, -100], 90, 90, 'octagon', cosineBeam());
    const [whole, half] = [
      finished(renderSource(framing, key, 'fine', 1)),
      finished(renderSource(lower, key, 'fine', 1)),
    ];
    const from = (width * height * 3) / 2;
    const far = half.reduce(
      (count, value, i) => count + (Math.abs(value - (whole[from + i] ?? 0)) > 0.02 * (1 + value) ? 1 : 0),
      0,
    );
    expect(far / half.length).toBeLessThan(0.005);
    expect(layers[0]?.length).toBe(width * height * 3);
  });
});

describe('light that comes back from the wall behind', () => {
  /** A bust before a wall of this tone, and a source behind it that lights the wall alone. */
  const lit = (tone: number, kind: 'wall' | 'trees' = 'wall') => {
    const framing = cardScene({
      people: [{ at: [0, 0, 0], turn: 0 }],
      groundAlbedo: [0, 0, 0],
      backdrop: { kind, z: -120, albedo: [tone, tone, tone] },
    });
    const source = areaSource([0, 0, -60], [0, 0, -1], 60, 60, 'rectangle', cosineBeam());
    renderSoft(framing, 'fine');
    return { framing, layer: finished(renderSource(framing, source, 'fine', 1)) };
  };
  const {
    framing: { view },
    layer,
  } = lit(0.8);
  const onPeople = [...view.material.keys()].filter((o) => view.material[o]! < MATERIAL.ground);

  it('is what falls on it, times its tone, and nothing from what is no wall', () => {
    const [half, black, trees] = [lit(0.4).layer, lit(0).layer, lit(0.8, 'trees').layer];
    for (const o of onPeople) {
      expect(layer[o * 3]).toBeCloseTo(2 * half[o * 3]!, 6);
      expect([black[o * 3], trees[o * 3]]).toEqual([0, 0]);
    }
    expect(Math.max(...onPeople.map((o) => layer[o * 3]!))).toBeGreaterThan(0);
  });

  it('reaches what is turned away from the camera the most', () => {
    const facing = (o: number) => view.normal[o * 3 + 2]!;
    const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
    const bands = [
      [0.9, 1],
      [0.7, 0.9],
      [0.4, 0.7],
      [-1, 0.4],
    ].map(([least = 0, most = 0]) =>
      mean(
        onPeople.filter((o) => facing(o) > least && facing(o) <= most).map((o) => layer[o * 3]! / view.albedo[o * 3]!),
      ),
    );
    expect(bands).toEqual([...bands].sort((a, b) => a - b));
  });
});

describe('developing', () => {
  const CLIPPINGS = [1.5, 2, 2.5, 2.7, 3, 3.5, 4, 5];
  /** What a tone is shown as, 0 to 255. */
  const shown = (stops: number, clipsAboveStops: number, development?: Development) =>
    toneTable(clipsAboveStops, development)[Math.round(((0.18 * 2 ** stops) / TONE_MOST) * TONE_STEPS)] ?? NaN;

  it('mid grey stays mid grey, what clips is white, and more light is never darker', () => {
    for (const clipsAboveStops of CLIPPINGS)
      for (const development of ['camera', 'flat'] as const) {
        const table = toneTable(clipsAboveStops, development);
        expect(Math.abs(shown(0, clipsAboveStops, development) - 118)).toBeLessThanOrEqual(1);
        expect(shown(clipsAboveStops + 0.001, clipsAboveStops, development)).toBe(255);
        expect(table[0]).toBe(0);
        expect(table.every((value, i) => i === 0 || value >= (table[i - 1] ?? 0))).toBe(true);
      }
  });

  it("has a camera's contrast through mid grey, a toe and a shoulder; flat has the contrast of the scene", () => {
    const linear = (value: number) => (value <= 10 ? value / 255 / 12.92 : ((value / 255 + 0.055) / 1.055) ** 2.4);
    const slope = (from: number, to: number, clips: number, development?: Development) =>
      Math.log2(linear(shown(to, clips, development)) / linear(shown(from, clips, development))) / (to - from);
    for (const clips of CLIPPINGS.filter((one) => one >= 2)) {
      expect(slope(-0.7, 0.7, clips)).toBeGreaterThan(1.3);
      expect(slope(-0.7, 0.7, clips)).toBeLessThan(1.4);
      expect(slope(-5, -4, clips)).toBeLessThan(1.2);
      expect(slope(clips - 0.7, clips, clips)).toBeLessThan(slope(0, 0.7, clips));
    }
    expect(slope(-4, -1, 3, 'flat')).toBeCloseTo(1, 1);
    expect(slope(-0.7, 0.7, 3, 'flat')).toBeCloseTo(1, 1);
  });

  it('is the same in the shadows wherever the camera clips, and the later it clips the darker over mid grey', () => {
    for (let stops = -6; stops <= 0; stops += 0.5)
      expect(new Set(CLIPPINGS.map((clips) => shown(stops, clips))).size).toBe(1);
    for (let stops = 0.25; stops < 5; stops += 0.25) {
      const values = CLIPPINGS.map((clips) => shown(stops, clips));
      expect(values).toEqual([...values].sort((a, b) => b - a));
    }
  });

  it('shows correctly lit skin as its tone says: the table of tones through the curve', () => {
    const cardOf = (skin: Rgb) => 0.2126 * skin[0] + 0.7152 * skin[1] + 0.0722 * skin[2];
    for (const [name, levels] of [
      ['light', [180, 200]],
      ['medium', [130, 142]],
      ['deep', [60, 76]],
    ] as const) {
      const { offsetStops } = SKINS[name];
      expect(Math.log2(cardOf(SKIN_TONES[name]) / 0.18)).toBeCloseTo(offsetStops, 3);
      const [, a, b] = labOf(SKIN_TONES[name]);
      expect(a).toBeCloseTo(SKINS[name].a, 1);
      expect(b).toBeCloseTo(SKINS[name].b, 1);
      for (const clips of CLIPPINGS.filter((one) => one >= 2)) {
        expect(shown(offsetStops, clips)).toBeGreaterThanOrEqual(levels[0]);
        expect(shown(offsetStops, clips)).toBeLessThanOrEqual(levels[1]);
      }
    }
  });

  it('sums by vectors as without them', () => {
    const pixels = 97;
    const [vectors, plain] = [vectorSums(pixels), plainSums(pixels)];
    if (vectors === null) throw new Error('no vectors here');
    const figure = fc.float({ min: 0, max: 4, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.array(figure, { minLength: pixels * 3, maxLength: pixels * 3 }), { minLength: 1, maxLength: 11 }),
        fc.array(fc.float({ min: 0, max: 3000, noNaN: true }), { minLength: 99, maxLength: 99 }),
        fc.array(fc.boolean(), { minLength: 11, maxLength: 11 }),
        (values, weights, mute) => {
          const layers = values.map((one) => Float32Array.from(one));
          const byRegion = [0, 1, 2].map((region) =>
            Float32Array.from({ length: layers.length * 3 }, (_, i) =>
              mute[(Math.floor(i / 3) + region) % 11] ? 0 : (weights[(region * 33 + i) % 99] ?? 0),
            ),
          );
          const runs = Int32Array.from([0, 5, 0, 5, 6, 2, 6, 50, 1, 50, 97, 0]);
          const [a, b] = [vectors(layers, byRegion, runs), plain(layers, byRegion, runs)];
          for (let i = 0; i < b.length; i += 1) expect(Math.abs((a[i] ?? NaN) - (b[i] ?? NaN))).toBeLessThanOrEqual(1);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('counts what is clipped and lost, marks it by pattern, and its histogram holds every pixel', () => {
    const composer = new Composer(8, 4);
    composer.setFraming(new Uint8Array(32).fill(MATERIAL.skin), []);
    const layer = Float32Array.from({ length: 96 }, (_, i) => (i < 24 ? 3 : i < 48 ? 0.0001 : 0.18));
    const plain = composer.compose([layer], evenWeights([1, 1, 1]), {
      clipsAboveStops: 3,
      noiseBelowStops: 5,
      marks: false,
    });
    expect([plain.clipped, plain.lost]).toEqual([8, 8]);
    expect(
      plain
        .histogram()
        .slice(768)
        .reduce((a, b) => a + b, 0),
    ).toBe(32);
    const before = plain.rgba.slice();
    const marked = composer.compose([layer], evenWeights([1, 1, 1]), {
      clipsAboveStops: 3,
      noiseBelowStops: 5,
      marks: true,
    });
    expect(marked.rgba.slice(0, 32)).not.toEqual(before.slice(0, 32));
    expect(marked.rgba.slice(96)).toEqual(before.slice(96));
  });

  it('more than six layers sum as they should, also after one of them changed', () => {
    const composer = new Composer(4, 4);
    composer.setFraming(new Uint8Array(16).fill(MATERIAL.skin), []);
    const layers = Array.from({ length: 9 }, (_, at) => new Float32Array(48).fill(0.01 * (at + 1)));
    const weights = new Float64Array(81).fill(0.5);
    const show = () => {
      composer.compose(layers, weights, { clipsAboveStops: 3, noiseBelowStops: 5, marks: false });
      return composer.picture.rgba[0] ?? 0;
    };
    const expected = () =>
      toneTable(3)[
        Math.floor(
          (layers.reduce((sum, layer, at) => sum + (layer[0] ?? 0) * (weights[at * 9] ?? 0), 0) / TONE_MOST) *
            TONE_STEPS,
        )
      ] ?? 0;
    expect(Math.abs(show() - expected())).toBeLessThanOrEqual(1);
    weights.fill(2, 0, 9);
    expect(Math.abs(show() - expected())).toBeLessThanOrEqual(1);
    weights.fill(4, 72);
    expect(Math.abs(show() - expected())).toBeLessThanOrEqual(1);
  });
});
