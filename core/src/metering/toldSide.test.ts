import { describe, expect, it } from '@jest/globals';

import { ambientReading, usualPoint } from '../../test/points';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { newLight, type Reading, type Setup } from '../setup';
import { solve } from '../solution';
import { placementsFor } from '../stage';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const hall = SAMPLE_HALL.setup;
const withKey = (over: Partial<Setup> = {}): Setup => ({
  ...hall,
  points: [usualPoint('face', 'face'), usualPoint('shadow', 'shadow')],
  panels: [],
  lights: [{ ...newLight(sampleId(21), 'key', sampleId(111), 'face', []), placeSaid: true, sideDeg: 40 }],
  ...over,
});
const solved = (setup: Setup, read: readonly Reading[]) => solve(setup, SAMPLE_KIT, read, CLOCK);

describe('where the ambient comes from, told by readings', () => {
  const sides = (face: number, shadow: number, over: Partial<Setup> = {}) =>
    solved(withKey(over), [ambientReading(hall, 951, 'face', face), ambientReading(hall, 952, 'shadow', shadow)]);
  const domes = (camera: number, light: number) =>
    solved(withKey({ points: [usualPoint('face', 'face')] }), [
      ambientReading(hall, 951, 'face', camera),
      { ...ambientReading(hall, 952, 'face', light), method: { kind: 'incident', aim: 'light' } },
    ]).stage.openSide;

  it('the brighter side of a face lies towards it, and the key is put there', () => {
    expect(sides(9, 7.5).stage.openSide).toEqual({ side: 'right', by: 'both-sides' });
    const against = sides(8, 9.2);
    expect(against.stage.openSide).toEqual({ side: 'left', by: 'both-sides' });
    expect(against.stage.watches.map(({ kind }) => kind)).toContain('crossed-shadows');
    const [place] = placementsFor(withKey(), 0, 'left');
    expect(place?.settings.find(({ path }) => path === 'lights.0.sideDeg')?.value).toBeLessThan(0);
    expect(sides(9, 8.9).stage.openSide).toBeNull();
    const said = sides(8, 9.2, { stage: { ...hall.stage, openSide: 'all-round' } });
    expect(said.stage.openSide).toEqual({ side: 'all-round', by: 'said' });
  });

  it('both ways to hold the dome tell front, side and behind', () => {
    expect(domes(9, 9.1)).toEqual({ side: 'camera', by: 'both-domes' });
    expect(domes(9, 9.8)?.by).toBe('both-domes');
    expect(['left', 'right']).toContain(domes(9, 9.8)?.side);
    expect(domes(9, 11)).toEqual({ side: 'behind', by: 'both-domes' });
  });
});
