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

  it('finds readings by their point and as they were typed, and frames of a camera by name; not what is struck out', () => {
    expect(titles('face 5.6')).toContain('reading Face 5.6');
    const [reading] = SAMPLE_DOCUMENTS.filter((one) => one.type === 'reading');
    const struck = { ...reading!, id: sampleId(992), text: '9.5', struckAt: '2026-02-27T15:00:00Z' };
    expect(find([struck], '9.5')).toEqual([]);
    const roll = {
      type: 'cameraRoll',
      version: 1,
      id: sampleId(993),
      shootId: sampleId(1),
      camera: 'Plover',
      offsetS: 0,
      offsetFrom: 'assumed',
      frames: [{ name: 'ORL_4312.JPG', at: '2026-02-27T15:45:00' }],
    } as const;
    expect(find([{ ...roll, frames: [...roll.frames] }], '4312')).toMatchObject([
      { kind: 'frame', title: 'ORL_4312.JPG', by: 'Plover', shootId: sampleId(1) },
    ]);
  });
});
