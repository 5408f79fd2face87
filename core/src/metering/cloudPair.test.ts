import { describe, expect, it } from '@jest/globals';

import { SAMPLE_GROUP, SAMPLE_KIT, sampleId } from '../sample';
import { PLAIN_CHANGE, type Reading, type SceneChange } from '../setup';
import { meterScene } from './meteredScene';

const { setup, readings } = SAMPLE_GROUP;
const [plain] = readings;
const START = Date.parse('2026-02-27T14:00:00Z');
const at = (minute: number) => new Date(START + minute * 60_000).toISOString();
const reading = (number: number, minute: number, ev: number, pointId = 'face'): Reading => ({
  ...plain!,
  id: sampleId(number),
  pointId,
  at: at(minute),
  av: ev - plain!.tv + plain!.sv,
});
const sky = (number: number, minute: number, sunOut: boolean): SceneChange => ({
  ...PLAIN_CHANGE,
  id: sampleId(number),
  setupId: setup.id,
  at: at(minute),
  what: 'sun',
  sunOut,
});
const face = setup.points.find(({ role }) => role === 'face')!;
const background = setup.points.find(({ role }) => role === 'background')!;

describe('a sun that goes in and comes out', () => {
  const out = [reading(701, 0, 13), reading(702, 0.5, 14.5, 'background')];
  const gone = [...out, sky(711, 4, false), reading(703, 4.5, 11.2)];
  const back = [...gone, sky(712, 9, true)];
  const lit = (facts: (Reading | SceneChange)[], minute: number) =>
    meterScene(setup, SAMPLE_KIT, facts, new Date(at(minute)));

  it('each state has its own level, and the other comes back with one tap', () => {
    expect(lit(gone, 5).ambientAt(face).ambientEv100).toBeCloseTo(11.2, 1);
    const again = lit(back, 10).ambientAt(face);
    expect(again.ambientEv100).toBeCloseTo(13, 0);
    expect(Math.abs(again.ambientEv100! - 13)).toBeLessThan(0.2);
    // as well known as if no cloud had come
    expect(again.sdStops!).toBeLessThan(lit(out, 10).ambientAt(face).sdStops! + 0.05);
    expect(again.reading!.id).toBe(out[0]!.id);
    // and back into the cloud as it was read there
    const cloud = lit([...back, sky(713, 12, false)], 13).ambientAt(face);
    expect(Math.abs(cloud.ambientEv100! - 11.2)).toBeLessThan(0.2);
  });

  it('what was not read in a state is carried with the face, and less sure', () => {
    const there = lit(gone, 5).ambientAt(background);
    expect(there.ambientEv100!).toBeGreaterThan(12);
    expect(there.ambientEv100!).toBeLessThan(14.2);
    expect(there.sdStops!).toBeGreaterThan(0.5);
    expect(lit(back, 10).ambientAt(background).sdStops!).toBeLessThan(0.4);
  });

  it('a change that nobody told apart goes on as before: the next reading counts', () => {
    const plainCloud = lit([...gone, { ...sky(714, 9, true), sunOut: null }], 10).ambientAt(face);
    expect(plainCloud.sdStops!).toBeGreaterThan(0.5);
  });
});
