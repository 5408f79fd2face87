import { pictureText } from '@/features/picture/savePicture';
import fc from 'fast-check';

import { SAMPLE_HALL, SAMPLE_KIT } from '@sphene/core/sample';
import { solve } from '@sphene/core/solution';

const { setup, readings } = SAMPLE_HALL;
const CLOCK = new Date('2026-02-27T15:00:00Z');
const said = (title: string) => {
  const named = { ...setup, title };
  const text = pictureText(named, solve(named, SAMPLE_KIT, readings, CLOCK));
  return {
    text,
    settings: JSON.parse(text['Sphene settings'] ?? '') as {
      setup: string;
      camera: unknown;
      lights: { power: string }[];
      tones: { name: string; stops: number | null }[];
    },
  };
};

describe('the text in a saved picture', () => {
  it('says that it is computed, and with which settings', () => {
    const solution = solve(setup, SAMPLE_KIT, readings, CLOCK);
    const { text, settings } = said(setup.title);
    expect(text['Description']).toBe('Computed picture, not a photograph');
    expect(settings.camera).toEqual(solution.camera?.text);
    expect(settings.lights.map(({ power }) => power)).toEqual(solution.lights.map(({ powerText }) => powerText));
    for (const [index, { name, placedStops }] of solution.points.entries()) {
      expect(settings.tones[index]?.name).toBe(name);
      if (placedStops !== null) expect(settings.tones[index]?.stops).toBeCloseTo(placedStops, 2);
    }
  });

  it('is Latin for every title, as PNG wants it, and reads back as it was', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', minLength: 1, maxLength: 40 }), (title) => {
        const { text, settings } = said(title);
        for (const part of Object.values(text)) expect(part).toMatch(/^[\x20-\x7e]*$/);
        expect(settings.setup).toBe(title);
      }),
      { numRuns: 100 },
    );
  });
});
