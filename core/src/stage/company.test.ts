import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { sceneOf } from '../../test/pictureScenes';
import { english } from '../english';
import { pictureOf } from '../picture';
import { SAMPLE_KIT } from '../sample';
import { solve } from '../solution';
import { companions } from './company';

const scene = (over: Parameters<typeof sceneOf>[1]['over'], subject: Parameters<typeof sceneOf>[1]['subject'] = {}) =>
  sceneOf('company', { over, subject, faceEv: 8, backgroundEv: 8 });
const span = fc.double({ min: 0, max: 4, noNaN: true });

describe('who stands beside', () => {
  it('nobody, one, or a group that reaches just as far as its outermost people', () => {
    expect(companions(scene({}).setup)).toEqual([]);
    expect(companions(scene({}, { company: 'two' }).setup)).toHaveLength(1);
    fc.assert(
      fc.property(span, span, span, span, (nearerM, fartherM, leftM, rightM) => {
        const group = companions(scene({ people: { nearerM, fartherM, leftM, rightM, withinStops: 0.5 } }).setup);
        const [xs, zs] = [group.map(({ at }) => at.x), group.map(({ at }) => at.z)];
        expect([Math.min(...xs), Math.max(...xs)]).toEqual([expect.closeTo(-leftM, 9), expect.closeTo(rightM, 9)]);
        if (nearerM > 0 || fartherM > 0)
          expect([Math.min(...zs), Math.max(...zs)]).toEqual([
            expect.closeTo(-fartherM, 9),
            expect.closeTo(nearerM, 9),
          ]);
        expect(new Set(group.map(english.companion)).size).toBe(group.length);
      }),
    );
  });

  it('turned inward looks across the one in focus, from either side', () => {
    for (const { at, turnDeg } of companions(
      scene({ people: { nearerM: 0.5, fartherM: 0.6, leftM: 1, rightM: 1, withinStops: 0.5 } }, { othersTurnDeg: 30 })
        .setup,
    ))
      expect(turnDeg * at.x).toBeLessThan(0);
    const [away] = companions(scene({}, { company: 'two', othersTurnDeg: -30 }).setup);
    expect(away?.turnDeg).toBe(30);
  });

  it('the picture shows the same people, turned the same way', () => {
    const { setup, facts } = scene({}, { company: 'two', othersTurnDeg: 70, turnDeg: 10 });
    const { scene: seen } = pictureOf(
      setup,
      SAMPLE_KIT,
      solve(setup, SAMPLE_KIT, facts, new Date('2026-02-27T16:00:00Z')),
    );
    const [beside] = companions(setup);
    expect(seen.people.map(({ turn }) => (turn * 180) / Math.PI)).toEqual([
      expect.closeTo(10, 9),
      expect.closeTo(-70, 9),
    ]);
    expect(seen.people[1]?.at).toEqual([
      (beside?.at.x ?? 0) * 100,
      (beside?.at.y ?? 0) * 100,
      (beside?.at.z ?? 0) * 100,
    ]);
  });
});
