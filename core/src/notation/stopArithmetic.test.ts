import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { english } from '../english';
import { formatAperture, formatShutter } from './format';
import { answerStops } from './stopArithmetic';

const asked = (question: string) => {
  const answer = answerStops(question);
  if (!answer.ok) throw new Error(JSON.stringify(answer.reason));
  return { stops: answer.value.stops, ...english.stopAnswer(answer.value) };
};
const notation = (question: string, name: string) => asked(question).notations.find((one) => one.name === name)?.text;

describe('a step between two values', () => {
  it.each([
    ['f/5 to f/7.1', -1, '1.0 stop darker: a smaller opening, the number goes up'],
    ['f/8 to f/4', 2, '2.0 stops brighter: a wider opening, the number goes down'],
    ['5 to 7.1', -1, '1.0 stop darker: a smaller opening, the number goes up'],
    ['from 1/60 to 1/250', -2, '2.0 stops darker: a faster shutter'],
    ['1/60 to 1/30', 1, '1.0 stop brighter: a slower shutter'],
    ['2 s to 4 s', 1, '1.0 stop brighter: a slower shutter'],
    ['ISO 100 to 800', 3, '3.0 stops brighter: a higher ISO'],
    ['400 to iso 100', -2, '2.0 stops darker: a lower ISO'],
    ['35 to 70 Ws', 1, '1.0 stop brighter: more energy'],
    ['2 to 4 m', -2, '2.0 stops darker: farther, from a small source'],
    ['8 ft to 4 ft', 2, '2.0 stops brighter: nearer, from a small source'],
    ['1/16 power to 1/64', -2, '2.0 stops darker: less power'],
    ['full to 1/2', -1, '1.0 stop darker: less power'],
    ['1/8 + ⅓ power to 1/8 power', -1 / 3, '0.3 stop darker: less power'],
    ['f/4 → f/4', 0, 'no difference'],
  ])('%s', (question, stops, words) => {
    expect(asked(question).stops).toBeCloseTo(stops, 1);
    expect(asked(question).words).toBe(words);
  });

  it('the way back is the same number of stops the other way', () => {
    const aperture = fc.integer({ min: 0, max: 27 }).map((thirds) => formatAperture(thirds / 3, 'third'));
    const shutter = fc.integer({ min: 0, max: 36 }).map((thirds) => formatShutter(thirds / 3, 'third'));
    const pair = fc.oneof(
      fc.tuple(aperture, aperture),
      fc.tuple(shutter, shutter),
      fc
        .tuple(fc.integer({ min: 1, max: 2400 }), fc.integer({ min: 1, max: 2400 }))
        .map(([a, b]) => [`${a} Ws`, `${b} Ws`] as const),
    );
    fc.assert(
      fc.property(pair, ([a, b]) => {
        expect(asked(`${a} to ${b}`).stops + asked(`${b} to ${a}`).stops).toBeCloseTo(0, 9);
      }),
    );
  });
});

describe('a value moved by stops', () => {
  it.each([
    ['f/4 + 1', 'f/2.8: 1.0 stop brighter', 'f/5.6: 1.0 stop darker'],
    ['f/4 - 1⅓', 'f/6.3: 1.3 stops darker', 'f/2.5: 1.3 stops brighter'],
    ['1/60 + 2', '1/15: 2.0 stops brighter', '1/250: 2.0 stops darker'],
    ['iso 400 minus 1', 'ISO 200: 1.0 stop darker', 'ISO 800: 1.0 stop brighter'],
    ['90 Ws − 1', '45 Ws: 1.0 stop darker', '180 Ws: 1.0 stop brighter'],
    ['2 m plus 2', '1 m: 2.0 stops brighter', '4 m: 2.0 stops darker'],
  ])('%s', (question, words, other) => {
    expect(asked(question).words).toBe(words);
    // who meant the number to go up reads this line
    expect(asked(question).notations[0]).toEqual({ name: 'The other way', text: other });
  });
});

describe('ratios, percentages and counts', () => {
  it('a ratio in stops, in any order', () => {
    expect(asked('3:1').stops).toBeCloseTo(Math.log2(3), 9);
    expect(asked('ratio 1 : 3').words).toBe('1.6 stops less');
    expect(notation('3:1', 'Ratio')).toBe('3:1');
    expect(notation('1:3', 'Ratio')).toBe('3:1');
  });

  it('a percentage is a part of the light', () => {
    expect(asked('50 %').words).toBe('1.0 stop less');
    expect(notation('25 %', 'Light')).toBe('1/4');
    expect(asked('200%').words).toBe('1.0 stop more');
  });

  it('a count of stops in all notations', () => {
    expect(asked('-1⅓ stops').notations.map(({ text }) => text)).toEqual(['−1.3', '−1⅓', '1/2.52', '2.52:1', '39.7 %']);
    expect(asked('1,5').stops).toBe(1.5);
  });
});

describe('what cannot be worked out', () => {
  it.each(['', 'hello', 'f/4 to 1/60', '0:1', '3:0', '0 Ws to 5 Ws', '0 m to 2 m', 'f/4 +', '1e9 stops', '99 stops'])(
    '“%s” is answered with what can be asked',
    (question) => {
      const answer = answerStops(question);
      expect(answer.ok ? answer.value : english.stopFault(answer.reason)).toMatch(/Ask like this: f\/5 to f\/7\.1/);
    },
  );

  it('every example of the help can be asked', () => {
    const help = answerStops('');
    const examples = (help.ok ? '' : english.stopFault(help.reason))
      .replace('Ask like this: ', '')
      .replace(/\.$/, '')
      .split(', ');
    expect(examples).toHaveLength(9);
    for (const example of examples) expect(asked(example).words).not.toBe('');
  });

  it('no text at all makes it throw or say no number', () => {
    const words = fc.constantFrom(
      'f/4',
      '1/60',
      'iso',
      '100',
      'to',
      '+',
      '-',
      '⅓',
      '3:1',
      '%',
      'Ws',
      'm',
      'full',
      'power',
      '1/0',
      '0',
      '.',
      ',',
      's',
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(words, { maxLength: 6 }).map((parts) => parts.join(' ')),
        ),
        (question) => {
          const answer = answerStops(question);
          if (answer.ok)
            expect([Number.isFinite(answer.value.stops), JSON.stringify(answer.value)]).toEqual([
              true,
              expect.not.stringMatching(/NaN|Infinity|undefined/),
            ]);
        },
      ),
      { numRuns: 2000 },
    );
  });
});
