import { describe, expect, it } from '@jest/globals';

import { HORIZONS, type LightOf, LIGHTS, tellEvening, type Told } from './fading';

/** `npm run corpus` foretells all of them; the usual run a part, with bounds that leave room for chance. */
const ALL = process.env['CORPUS'] === 'all';
const EVENINGS = ALL ? 500 : 90;
const SLACK = ALL ? { narrow: 0, wide: 0, third: 0 } : { narrow: 0.09, wide: 0.05, third: 0.06 };

const shareOf = (told: readonly Told[], is: (one: Told) => boolean): number => told.filter(is).length / told.length;
const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length * share)] ?? NaN;

describe('the light of the next minutes on simulated evenings', () => {
  const told = Array.from({ length: EVENINGS }, (_, seed) => tellEvening(seed + 1)).flat();
  const of = (light: LightOf, horizon: number) => told.filter((one) => one.light === light && one.horizon === horizon);
  const kinds = LIGHTS.flatMap((light) => HORIZONS.map((horizon) => [light, horizon] as const));

  it.each(kinds)('%s, %s minutes ahead: comes within the bands as often as they say', (light, horizon) => {
    const these = of(light, horizon);
    expect(these.length).toBeGreaterThan(80);
    const narrow = shareOf(these, ({ within68 }) => within68);
    expect(narrow).toBeGreaterThan(0.62 - SLACK.narrow);
    expect(narrow).toBeLessThan(0.74 + SLACK.narrow);
    const wide = shareOf(these, ({ within95 }) => within95);
    expect(wide).toBeGreaterThan(0.92 - SLACK.wide);
    expect(wide).toBeLessThanOrEqual(0.98 + SLACK.wide);
  });

  it.each(kinds)(
    '%s, %s minutes ahead: better than the last reading and than the same fall as before',
    (light, horizon) => {
      const these = of(light, horizon);
      const error = quantile(
        these.map((one) => one.error),
        0.5,
      );
      // a cloud that comes cannot be foretold: not worse is all there is
      const most = light === 'broken' ? 1.05 : 1;
      expect(error).toBeLessThan(
        most *
          quantile(
            these.map(({ asLast }) => asLast),
            0.5,
          ),
      );
      expect(error).toBeLessThan(
        most *
          quantile(
            these.map(({ asBefore }) => asBefore),
            0.5,
          ),
      );
    },
  );

  it.each(['clear', 'thin'] as const)('%s: within a third nineteen times in twenty, ten minutes ahead', (light) => {
    expect(shareOf(of(light, 10), ({ error }) => error <= 1 / 3)).toBeGreaterThan(0.95 - SLACK.third);
  });
});
