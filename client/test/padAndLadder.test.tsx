import { Ladder } from '@/ui/Ladder';
import { afterKey } from '@/ui/ReadingPad';
import { ladderScale, patchTone, wedge } from '@/ui/ladderGeometry';
import { PALETTES } from '@/ui/palette';
import { render, screen } from '@testing-library/react';
import fc from 'fast-check';

import { parseAperture } from '@sphene/core/notation';
import { SAMPLE_HALL, SAMPLE_KIT } from '@sphene/core/sample';
import { solve } from '@sphene/core/solution';

const { points } = solve(SAMPLE_HALL.setup, SAMPLE_KIT, SAMPLE_HALL.readings, new Date('2026-02-27T15:00:00Z'));

describe('reading pad', () => {
  it.each([
    ['', '5.6', '5.6'],
    ['5.6', '.4', '5.6 4'],
    ['5.6 4', '.5', '5.6 5'],
    ['5.6 4', '⅓', '5.6⅓'],
    ['5.6⅓', '.2', '5.6 2'],
    ['5.6 4', '8', '8'],
    ['1', '.4', '1 4'],
    ['1.4', '⅔', '1.4⅔'],
  ])('%s then %s gives %s', (text, key, after) => {
    expect(afterKey(text, key)).toBe(after);
  });

  it('a stop and a part are always a reading that can be read', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('1', '1.4', '2.8', '5.6', '11', '45'),
        fc.constantFrom('.1', '.5', '.9', '⅓', '½', '⅔'),
        fc.constantFrom('.1', '.9', '⅔'),
        (stop, part, other) => {
          expect(parseAperture(afterKey(afterKey(afterKey('', stop), part), other)).ok).toBe(true);
        },
      ),
    );
  });
});

describe('ladder', () => {
  it('says in words what it draws', () => {
    render(<Ladder points={points} said="Face: on mid grey." clipsAboveStops={3} noiseBelowStops={-5} />);
    const name = screen.getByRole('img').getAttribute('aria-label') ?? '';
    expect(name).toContain('Face: on mid grey.');
    expect(name).toContain('Clipping above +3.0, noise below −5.0.');
  });

  it('keeps every tone and the camera’s limits inside, brighter further right', () => {
    const scale = ladderScale(360, points, 3, -5);
    expect(scale.least).toBeLessThan(-5);
    expect(scale.most).toBeGreaterThan(3);
    expect(scale.x(1)).toBeGreaterThan(scale.x(0));
    expect(scale.clamp(99)).toBe(scale.most);
    expect(wedge(scale, -2, 0, 40, 20).split(' ')).toHaveLength(4);
  });

  it('shows mid grey as mid grey, and no white where night vision is to be spared', () => {
    expect(patchTone(-0.5, [255, 255, 255])).toBe('rgb(118,118,118)');
    expect(patchTone(5, PALETTES.dim.patch)).toBe('rgb(150,92,58)');
  });
});
