import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { english } from '../english';
import { beamSchema, beamShare } from '../modifiers';
import { readIes } from './ies';

const GOOD = [
  'IESNA:LM-63-2002',
  '[TEST] our own',
  '[MANUFAC] none',
  '[LUMINAIRE] Square box 60 cm, two layers',
  'TILT=NONE',
  '1 2000 1 7 2 1 2 0.6 0.6 0',
  '1 1 100',
  '0 15 30 45 60',
  '75 90',
  '0 90',
  '1000 960 860 700 480',
  '220 0',
  '1000 940 840 680 460 200 0',
].join('\r\n');
const with1 = (line: number, text: string) =>
  GOOD.split('\r\n')
    .map((old, index) => (index + 1 === line ? text : old))
    .join('\n');

describe('an IES file', () => {
  it('becomes a beam: planes averaged, relative to the axis', () => {
    const read = readIes(GOOD);
    if (!read.ok) throw new Error(JSON.stringify(read.reason));
    expect(read.value).toMatchObject({ name: 'Square box 60 cm, two layers', axisCandela: 1000, lumens: 2000 });
    expect(beamSchema.parse(read.value.beam)).toEqual(read.value.beam);
    expect([0, 15, 60, 90].map((angle) => beamShare(read.value.beam, angle))).toEqual([1, 0.95, 0.47, 0]);
  });

  it.each([
    ['no IES file at all', 'hello', /begins with IESNA/],
    ['a word among the figures', with1(11, '1000 960 86O 700 480'), /Line 11: “86O” is not a number/],
    ['a table that ends early', with1(13, '1000 940'), /Line 13: the file ends early; 5 of its/],
    ['figures too many', with1(13, '1000 940 840 680 460 200 0 7'), /Line 13: there are more figures/],
    ['angles that fall', with1(8, '0 15 12 45 60'), /Line 8: vertical angles rise/],
    ['a tilted lamp', with1(5, 'TILT=INCLUDE'), /Line 5: only TILT=NONE/],
    ['a searchlight', with1(6, '1 2000 1 7 2 2 2 0.6 0.6 0'), /Line 6: photometric type 2/],
    ['light that is negative', with1(12, '-220 0'), /Line 12: a candela value is never negative/],
    [
      'no light on the axis',
      with1(11, '0 960 860 700 480').replace('1000 940', '0 940'),
      /Line 11: there is no light on the axis/,
    ],
  ])('with %s is refused with the line that is wrong', (_name, text, message) => {
    const read = readIes(text);
    expect(read.ok ? '' : english.iesFault(read.reason)).toMatch(message);
  });

  it('never throws and never gives a beam that the schema refuses, whatever is done to it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ at: fc.nat(GOOD.length), to: fc.string({ maxLength: 3 }) }), { maxLength: 4 }),
        (edits) => {
          const text = edits.reduce((now, { at, to }) => now.slice(0, at) + to + now.slice(at + to.length), GOOD);
          const read = readIes(text);
          if (read.ok) expect(beamSchema.safeParse(read.value.beam).success).toBe(true);
          else expect(english.iesFault(read.reason).length).toBeGreaterThan(10);
        },
      ),
      { numRuns: 500 },
    );
  });
});
