import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { english } from '../english';
import { pseudo, pseudoText } from './pseudo';

describe('the pseudo-language', () => {
  it('marks and lengthens a text once, whatever is put into it', () => {
    expect(pseudoText('Face')).toBe('⟦Fácé··⟧');
    expect(pseudoText('')).toBe('');
    expect(pseudoText(pseudoText('Face'))).toBe('⟦Fácé··⟧');
    // a sentence that begins and ends with parts that were said already is a text of its own
    const [a, b] = [pseudoText('Key'), pseudoText('Fill')];
    expect(pseudoText(`${a} over ${b}`)).toMatch(/^⟦⟦Kéy·⟧ óvér ⟦Fíll··⟧·+⟧$/);
  });

  it('leaves no plain word outside its marks', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('Key', 'on the face', '1/200', ' '), { minLength: 1 }), (parts) => {
        const text = pseudoText(parts.map((part, at) => (at % 2 === 0 ? pseudoText(part) : part)).join(''));
        for (let left = text, before = ''; before !== left;) {
          before = left;
          left = left.replace(/⟦[^⟦⟧]*⟧/g, '');
          if (before === left) expect(left.trim()).toBe('');
        }
      }),
    );
  });

  it('says what English says, with its figures, and leaves outcomes of reading as they are', () => {
    const words = pseudo(english);
    expect(words.stops(-1)).toBe(pseudoText(english.stops(-1)));
    expect(words.lookWay('share').name).toBe(pseudoText(english.lookWay('share').name));
    expect(words.readLook('share', '50 %')).toEqual(english.readLook('share', '50 %'));
  });
});
