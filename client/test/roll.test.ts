import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { clockCode, momentOfCode } from '../src/features/roll/clockCode';
import { formatOffset, readOffset } from '../src/features/roll/offset';
import { msOfLocal } from '../src/shell/localDay';

describe('a camera’s offset', () => {
  it.each([
    ['12', 12],
    ['12 s', 12],
    ['−90 s', -90],
    ['-1,5', -1.5],
    ['1:30', 90],
    ['+1:00:05', 3605],
    ['−1:00:00', -3600],
  ])('%s is read', (text, seconds) => expect(readOffset(text)).toBe(seconds));

  it.each(['', 'an hour', '1:2:3:4', '12 min', '99999:00:00'])('“%s” is none', (text) =>
    expect(readOffset(text)).toBeUndefined(),
  );

  it('comes back as it is written', () => {
    fc.assert(
      fc.property(fc.integer({ min: -30_000_000, max: 30_000_000 }), (seconds) => {
        expect(readOffset(formatOffset(seconds))).toBe(seconds + 0);
      }),
    );
  });
});

describe('the clock page', () => {
  it('says a moment that is read back, and nothing else is taken for one', () => {
    const ms = Date.UTC(2026, 1, 27, 14, 40, 0, 125);
    expect(momentOfCode(clockCode(ms))).toBe(ms);
    expect(momentOfCode('https://sphene.example')).toBeNull();
    expect(momentOfCode('sphene clock soon')).toBeNull();
  });
});

describe('times of a place’s own clock', () => {
  it('are moments in its zone, summer time counted; what is no time is none', () => {
    expect(msOfLocal('2026-02-27 14:12', 'Europe/Vienna')).toBe(Date.parse('2026-02-27T13:12:00Z'));
    expect(msOfLocal('2026-07-01T14:12:30.25', 'Europe/Vienna')).toBe(Date.parse('2026-07-01T12:12:30.250Z'));
    expect(msOfLocal('2026-06-31 10:00', 'Europe/Vienna')).toBeNull();
    expect(msOfLocal('later', 'Europe/Vienna')).toBeNull();
  });
});
