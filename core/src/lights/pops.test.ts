import { expect, it } from '@jest/globals';

import { popsToBalance } from '../../test/popsToBalance';

it('few test pops bring every target within a sixth of a stop of its reachable best, none after calibration', () => {
  const rows = popsToBalance(30, 11);
  const median = (lights: number, how: string) =>
    rows.find((row) => row.lights === lights && row.how === how)?.median ?? NaN;
  expect(median(1, 'uncalibrated')).toBeLessThanOrEqual(1);
  expect(median(1, 'after 5 readings')).toBe(0);
  expect(median(3, 'uncalibrated')).toBeLessThanOrEqual(3);
  expect(median(3, 'after 20 readings')).toBeLessThanOrEqual(1);
  for (const lights of [1, 2, 3]) expect(median(lights, 'uncalibrated')).toBeLessThan(median(lights, 'usual routine'));
});
