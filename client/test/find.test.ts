import { describe, expect, it } from '@jest/globals';

import { SAMPLE_DOCUMENTS, sampleId } from '@sphene/core/sample';
import { find } from '../src/features/search/find';

const titles = (text: string) => find(SAMPLE_DOCUMENTS, text).map(({ kind, title }) => `${kind} ${title}`);

describe('search', () => {
  it('finds shoots, spots, setups and kit by their names, all words of them, whatever their case', () => {
    expect(titles('TERRACE')).toContain('spot Upper terrace');
    expect(titles('sun couple')).toEqual(['setup Couple against the low sun']);
    expect(titles('octagon')).toEqual(['kit Octagon 90 cm']);
    expect(titles('   ')).toEqual([]);
    expect(titles('no such thing')).toEqual([]);
  });

  it('finds by what is noted too, after what is called so, and says by what', () => {
    const [setup] = SAMPLE_DOCUMENTS.filter((one) => one.type === 'setup');
    if (setup === undefined) throw new Error('the sample has setups');
    const noted = { ...setup, id: sampleId(990), title: 'Elsewhere', note: 'as on the lower platform' };
    const called = { ...setup, id: sampleId(991), title: 'Platform' };
    const found = find([noted, called], 'platform');
    expect(found.map(({ title, by }) => [title, by])).toEqual([
      ['Platform', ''],
      ['Elsewhere', 'as on the lower platform'],
    ]);
  });
});
