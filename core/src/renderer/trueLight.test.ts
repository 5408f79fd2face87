import { describe, expect, it } from '@jest/globals';

import { errorsOf, frameLight, LIGHT_SCENES, renderedLight, truthOf, WINDOW_AHEAD } from '../../test/lightScenes';
import type { Framing } from './layer';
import { MATERIAL } from './sculpture/bust';

/** Fewer rays and pixels than the benchmark takes: about eighty places of a face. */
const RAYS = { source: 14, half: 12, bounceSource: 2, bounceHalf: 6 };
const EVERY = 20;
/** Stops; with as few places as here one or two of them may be edges of a shadow. */
const MEDIAN = 0.1;
const LIT_95 = 1 / 3;

/** The light on a cheek, to the camera's right or left. */
function cheek({ view }: Framing, light: Float32Array, side: number): number {
  const { width, height, material, place } = view;
  let [sum, pixels] = [0, 0];
  for (let o = 0; o < width * height; o += 1) {
    const [x, y] = [place[o * 3]! * side, place[o * 3 + 1]!];
    if (material[o] !== MATERIAL.skin || x < 2 || x > 6 || y < -6 || y > -1) continue;
    sum += light[o * 3 + 1]!;
    pixels += 1;
  }
  return sum / pixels;
}
const ALIKE = 0.02;

describe('light on a face against its integration', () => {
  it.each(LIGHT_SCENES.map((one) => [one.name, one] as const))('%s', (_, one) => {
    const framing = frameLight(one);
    const light = renderedLight(framing, one.source, 'fine');
    const { median, medianSize, lit95, lit } = errorsOf(one, truthOf(one, framing, EVERY, RAYS), light);
    expect(lit).toBeGreaterThan(3);
    expect(Math.abs(median)).toBeLessThan(MEDIAN);
    expect(medianSize).toBeLessThan(MEDIAN);
    expect(lit95).toBeLessThan(LIT_95);
    if (one.symmetric) expect(Math.abs(cheek(framing, light, 1) / cheek(framing, light, -1) - 1)).toBeLessThan(ALIKE);
  });
});

describe('what is lit from the middle is lit alike on both sides', () => {
  const symmetric = [...LIGHT_SCENES.filter((one) => one.symmetric), WINDOW_AHEAD];
  it.each(symmetric.map((one) => [one.name, one] as const))('%s, coarsely', (_, one) => {
    const framing = frameLight(one);
    const light = renderedLight(framing, one.source, 'draft');
    expect(Math.abs(cheek(framing, light, 1) / cheek(framing, light, -1) - 1)).toBeLessThan(ALIKE);
  });

  it('a window ahead, finely', () => {
    const framing = frameLight(WINDOW_AHEAD);
    const light = renderedLight(framing, WINDOW_AHEAD.source, 'fine');
    expect(Math.abs(cheek(framing, light, 1) / cheek(framing, light, -1) - 1)).toBeLessThan(ALIKE);
  });
});
