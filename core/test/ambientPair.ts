import { sampleId } from '../src/sample';
import { PLAIN_READING, type Reading, type Setup } from '../src/setup';
import { usualPoint } from './points';

/** A setup whose face stands in EV 8 and whose shadow side two stops under it. */
export function ambientPair(like: Setup): { setup: Setup; facts: Reading[] } {
  const setup: Setup = { ...like, points: [usualPoint('face', 'face'), usualPoint('shadow', 'shadow')] };
  const at = (pointId: string, number: number, ev: number): Reading => ({
    ...PLAIN_READING,
    id: sampleId(number),
    setupId: setup.id,
    pointId,
    at: '2026-02-27T15:30:00Z',
    text: 'x',
    av: ev - 5,
    tv: 5,
    sv: 0,
  });
  return { setup, facts: [at('face', 301, 8), at('shadow', 302, 6)] };
}
