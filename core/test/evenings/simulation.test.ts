import { describe, expect, it } from '@jest/globals';

import { simulate, together } from './simulation';

/** The small form of what `npm run bench` does with two thousand evenings; the bounds leave room for chance. */
const EVENINGS = 160;

describe('simulated evenings and rooms', () => {
  const shown = together(Array.from({ length: EVENINGS }, (_, seed) => simulate(seed + 1)));
  const figure = (name: string): number => shown[name] ?? NaN;

  it.each(['carried', 'fresh', 'flash'])('the truth lies within the ± of %s as often as it should', (kind) => {
    expect(figure(`${kind} within 1`)).toBeGreaterThan(0.6);
    expect(figure(`${kind} within 1`)).toBeLessThan(0.82);
    expect(figure(`${kind} within 2`)).toBeGreaterThan(0.9);
  });

  it('asks about what is wrong, and hardly about anything else', () => {
    expect(figure('false questions, a reading')).toBeLessThan(0.015);
    expect(figure('plain mistakes asked about')).toBeGreaterThan(0.85);
  });

  it('names the true cause among the first', () => {
    expect(figure('true cause first')).toBeGreaterThan(0.5);
    expect(figure('true cause among two')).toBeGreaterThan(0.75);
  });

  it('knows the power better than a total less the newest ambient', () => {
    expect(figure('power error, median against the plain rule')).toBeLessThan(0.7);
    expect(figure('power error, nine in ten against the plain rule')).toBeLessThan(0.7);
  });
});
