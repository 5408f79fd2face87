import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { usualPanel } from '../../test/panels';
import { usualPoint } from '../../test/points';
import {
  ambientSources,
  AS_IT_STANDS,
  flashAt,
  gainOf,
  isOpening,
  lampAt,
  lightConfig,
  pointPlace,
  type Receiver,
  receiverOf,
  standing,
  type Standing,
  withoutSending,
} from '../gain';
import { CARD, DOME, lightAt, softOnCard, type Vec } from '../renderer';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { direction } from '../scene';
import { newLight, type Panel, PLAIN_READING, type PlacedLamp, type Reading, type Setup } from '../setup';
import { type SolutionNumbers, solveNumbers } from '../solution';
import { pictureOf, toVec } from './pictureOf';
import { strengthsOf } from './weights';

const CLOCK = new Date('2026-02-27T16:00:00Z');
const { setup: hall } = SAMPLE_HALL;
const FACE_CARD: Receiver = { at: { x: 0, y: 0, z: 0 }, faces: direction(0), answers: 'card' };
const AT_FACE: Vec = [0, 0, 0];
const TO_CAMERA: Vec = [0, 0, 1];
/** Six stops under mid grey a layer is not seen beside the others. */
const UNSEEN = 2 ** -6;
const WITHIN_STOPS = 0.15;
/** All layers together after levelling, on a card. */
const LEVELLED_WITHIN_STOPS = 0.05;

const read = (pointId: string, number: number, ev: number): Reading => ({
  ...PLAIN_READING,
  id: sampleId(number),
  setupId: hall.id,
  pointId,
  at: '2026-02-27T15:50:00Z',
  text: 'x',
  av: ev - 6,
  tv: 6,
  sv: 0,
});

/** In hundredths: figures that a person can read when one fails. */
const between = (min: number, max: number) =>
  fc.integer({ min: 100 * min, max: 100 * max }).map((hundredths) => hundredths / 100);
const stage = fc.record({
  turnDeg: fc.constantFrom(0, 0, 25, -40),
  key: fc.record({
    modifierId: fc.constantFrom(null, sampleId(121), sampleId(122), sampleId(123), sampleId(124)),
    // nearer than its own size or grazing, the renderer's finer geometry leads
    distanceM: between(1.2, 4),
    sideDeg: between(-50, 50),
    heightM: between(-0.3, 0.6),
    featherDeg: fc.constantFrom(0, 0, 15),
  }),
  rimDeg: between(120, 240),
  lamp: fc.option(fc.record({ distanceM: between(0.8, 3), sideDeg: between(-60, 60) }), { nil: null }),
  sun: fc.option(fc.record({ sideDeg: between(-180, 180), altitudeDeg: between(5, 70) }), { nil: null }),
  window: fc.option(fc.record({ sideDeg: between(-70, 70), distanceM: between(1, 5) }), { nil: null }),
  panel: fc.option(
    fc.record({
      kind: fc.constantFrom('reflector' as const, 'reflector' as const, 'flag' as const, 'diffuser' as const),
      surface: fc.constantFrom('white' as const, 'silver' as const),
      sideDeg: between(-70, 70),
      distanceM: between(0.6, 1.6),
      heightM: between(-0.6, 0.6),
    }),
    { nil: null },
  ),
});
type Stage = typeof stage extends fc.Arbitrary<infer T> ? T : never;

function setupOf({ turnDeg, key, rimDeg, lamp, sun, window, panel }: Stage): Setup {
  const panels: Panel[] = [
    ...(window === null ? [] : [usualPanel('window', { id: sampleId(201), ...window })]),
    ...(panel === null ? [] : [usualPanel(panel.kind, { id: sampleId(202), ...panel, widthM: 0.9, tallM: 0.9 })]),
  ];
  const lamps: PlacedLamp[] =
    lamp === null
      ? []
      : [
          {
            id: sampleId(203),
            lampId: sampleId(165),
            pointId: 'face',
            heightM: 0.2,
            offAxisDeg: 0,
            on: true,
            dimStops: 0,
            kelvin: 4000,
            role: null,
            standsFor: null,
            fromDusk: false,
            ...lamp,
          },
        ];
  return {
    ...hall,
    points: [usualPoint('face', 'face'), usualPoint('hair', 'highlight'), usualPoint('background', 'background')],
    look: { ...hall.look, holdBackStops: 1 },
    lights: [
      { ...newLight(sampleId(21), 'key', sampleId(111), 'face', []), ...key, placeSaid: true },
      { ...newLight(sampleId(22), 'rim', sampleId(112), 'hair', []), sideDeg: rimDeg > 180 ? rimDeg - 360 : rimDeg },
    ],
    lamps,
    panels,
    backgroundM: 3,
    stage: {
      ...hall.stage,
      sun: sun === null || window !== null ? null : { by: 'hand', ...sun },
      subject: { ...hall.stage.subject, turnDeg },
    },
  };
}

/** A level of a light or lamp at a receiver, by its stated figures, among panels. */
type Level = (receiver: Receiver, panels: readonly Standing[]) => number | null;

/** What comes through a diffuser scatters from there in the picture, and comes from its source in the numbers: on a dome alike. */
function receiverOfSent(setup: Setup, panelId: string): Receiver {
  const isDiffuser = setup.panels.some(({ id, kind }) => id === panelId && kind === 'diffuser');
  return isDiffuser ? (receiverOf({ role: 'face' }, setup) as Receiver) : FACE_CARD;
}

/**
 * What a card at the face gets, linear against mid grey, by `gain`: of each light and lamp with nothing in the way, and of all
 * of them by way of each panel.
 */
function byGain(setup: Setup, numbers: SolutionNumbers) {
  const all = standing(setup, SAMPLE_KIT, AS_IT_STANDS);
  const face = receiverOf({ role: 'face' }, setup) as Receiver;
  const solved = numbers.points.find(({ role }) => role === 'face');
  const straight = new Map<string, number>();
  const thrown = new Map(all.map(({ panel }) => [panel.id, 0]));
  const put = (id: string, level: number | undefined, its: Level) => {
    const reference = its(face, all);
    if (reference === null || level === undefined) return;
    const linear = (receiver: Receiver, panels: readonly Standing[]) =>
      2 ** (level + (its(receiver, panels) ?? -Infinity) - reference);
    straight.set(id, linear(FACE_CARD, []));
    for (const [panelId, sum] of thrown) {
      const receiver = receiverOfSent(setup, panelId);
      thrown.set(panelId, sum + linear(receiver, all) - linear(receiver, withoutSending(all, panelId)));
    }
  };
  for (const light of setup.lights) {
    const config = lightConfig(SAMPLE_KIT, light);
    const stops = solved?.sources.find(({ lightId }) => lightId === light.id)?.stops;
    if (config !== null)
      put(`light:${light.id}`, stops, (receiver, panels) => flashAt(light, config, 0, receiver, setup, panels));
  }
  for (const lamp of setup.lamps) {
    const ev100 = numbers.lamps.find(({ id }) => id === lamp.id)?.ev100;
    put(`lamp:${lamp.id}`, ev100 === undefined ? undefined : ev100 - (numbers.camera?.ev100 ?? 0), (receiver, panels) =>
      lampAt(lamp, SAMPLE_KIT, receiver, setup, panels),
    );
  }
  for (const [id, level] of ambientByGain(setup, numbers, all)) straight.set(id, level);
  return { straight, thrown };
}

/** The light that is there on the card: the sun and each opening with nothing in the way. */
function ambientByGain(setup: Setup, numbers: SolutionNumbers, all: readonly Standing[]): [string, number][] {
  const face = receiverOf({ role: 'face' }, setup) as Receiver;
  const ambient = 2 ** (numbers.points.find(({ role }) => role === 'face')?.ambientStops ?? NaN);
  const openings = all.filter(isOpening);
  const { sunOnCard, openings: shares } = numbers.stage.ambient;
  return ambientSources(setup, SAMPLE_KIT, AS_IT_STANDS).flatMap(({ source }): [string, number][] => {
    const onCard = gainOf(source, FACE_CARD, openings);
    if (source.kind === 'sun') return [['sun', ambient * sunOnCard * onCard]];
    const share =
      source.kind === 'opening' ? shares.find(({ panelId }) => panelId === source.panelId)?.share : undefined;
    if (source.kind !== 'opening' || share === undefined) return [];
    return [[`panel:${source.panelId}`, (ambient * share * onCard) / gainOf(source, face, openings)]];
  });
}

/** The same in a picture: what its layers give the card. */
function byPicture(setup: Setup, numbers: SolutionNumbers) {
  const picture = pictureOf(setup, SAMPLE_KIT, numbers);
  const strengths = strengthsOf(setup, SAMPLE_KIT, numbers, picture);
  const straight = new Map<string, number>();
  const thrown = new Map<string, number>();
  for (const { id, source } of picture.layers) {
    if (source === null || strengths === null) continue;
    const weight = strengths.at.get(id)?.[0] ?? NaN;
    const level = (weight * lightAt(source, AT_FACE, TO_CAMERA, CARD)) / Math.PI;
    straight.set(id, level);
    const sent = strengths.parts.get(id);
    if (sent === undefined) continue;
    const panelId = id.split(':')[1] ?? '';
    const { faces, answers } = receiverOfSent(setup, panelId);
    const onReceiver = lightAt(source, AT_FACE, [faces.x, faces.y, faces.z], answers === 'dome' ? DOME : CARD);
    const flash = [...sent.by.values()].reduce((sum, one) => sum + one, 0);
    const share = sent.ambient + flash <= 0 ? 0 : flash / (sent.ambient + flash);
    thrown.set(panelId, (weight * onReceiver * share) / Math.PI);
  }
  return { straight, thrown };
}

/** What a card at a metered point gets of all layers, linear against mid grey; a light counts as a dome there reads it. */
function onPoint(setup: Setup, numbers: SolutionNumbers, role: 'face' | 'background'): number {
  const picture = pictureOf(setup, SAMPLE_KIT, numbers);
  const strengths = strengthsOf(setup, SAMPLE_KIT, numbers, picture);
  const region = role === 'face' ? 0 : 1;
  const place = pointPlace({ role }, setup);
  if (strengths === null || place === null) return NaN;
  const dome: Vec = [place.faces.x, place.faces.y, place.faces.z];
  return picture.layers.reduce((sum, { id, kind, source }) => {
    const weight = strengths.at.get(id)?.[region] ?? NaN;
    if (source === null) return sum + (weight * softOnCard(picture.scene, TO_CAMERA)) / Math.PI;
    // what is there lights a backdrop as a card
    const isCard = role === 'background' && kind === 'ambient';
    const light = lightAt(source, toVec(place.at), isCard ? TO_CAMERA : dome, isCard ? CARD : DOME);
    return sum + (weight * light) / Math.PI;
  }, 0);
}

/** What a light's layer gives a dome at the hair, linear against mid grey. */
function onHair(setup: Setup, numbers: SolutionNumbers, lightId: string): number {
  const picture = pictureOf(setup, SAMPLE_KIT, numbers);
  const strengths = strengthsOf(setup, SAMPLE_KIT, numbers, picture);
  const place = pointPlace({ role: 'highlight' }, setup);
  const layer = picture.layers.find(({ id }) => id === `light:${lightId}`);
  if (strengths === null || place === null || layer?.source == null) return NaN;
  const { x, y, z } = place.faces;
  return ((strengths.at.get(layer.id)?.[0] ?? NaN) * lightAt(layer.source, toVec(place.at), [x, y, z], DOME)) / Math.PI;
}

describe('the picture takes its levels from the one gain', () => {
  it('on 500 stages a card at the face gets of each light, lamp and panel what the numbers say', () => {
    fc.assert(
      fc.property(stage, (one) => {
        const setup = setupOf(one);
        const { numbers } = solveNumbers(
          setup,
          SAMPLE_KIT,
          [read('face', 301, 9), read('background', 302, 8.5)],
          CLOCK,
        );
        const [wanted, got] = [byGain(setup, numbers), byPicture(setup, numbers)];
        for (const kind of ['straight', 'thrown'] as const)
          for (const [id, level] of wanted[kind]) {
            const drawn = got[kind].get(id) ?? 0;
            // zero included: what nothing is seen of in one is not seen in the other
            if (Math.max(level, drawn) < UNSEEN) continue;
            expect([id, Math.abs(Math.log2(drawn / level)) < WITHIN_STOPS]).toEqual([id, true]);
          }
      }),
      { numRuns: 500 },
    );
  });

  it('on 500 stages the hair gets of the lights together what the numbers say', () => {
    fc.assert(
      fc.property(stage, (one) => {
        const setup = setupOf({ ...one, panel: null });
        const { numbers } = solveNumbers(setup, SAMPLE_KIT, [read('face', 301, 9)], CLOCK);
        const sources = numbers.points.find(({ role }) => role === 'highlight')?.sources ?? [];
        const stops = (id: string) => sources.find(({ lightId }) => lightId === id)?.stops ?? -Infinity;
        const wanted = setup.lights.reduce((sum, { id }) => sum + 2 ** stops(id), 0);
        const drawn = setup.lights.reduce((sum, { id }) => sum + onHair(setup, numbers, id), 0);
        expect(Math.abs(Math.log2(drawn / wanted))).toBeLessThan(LEVELLED_WITHIN_STOPS);
      }),
      { numRuns: 500 },
    );
  });

  it('on 500 stages all layers together come to the ladder at each metered point', () => {
    fc.assert(
      fc.property(stage, (one) => {
        const setup = setupOf({ ...one, panel: null });
        const readings = [read('face', 301, 9), read('background', 302, 8.5)];
        const { numbers } = solveNumbers(setup, SAMPLE_KIT, readings, CLOCK);
        for (const role of ['face', 'background'] as const) {
          const total = numbers.points.find((point) => point.role === role)?.totalStops ?? NaN;
          const drawn = Math.log2(onPoint(setup, numbers, role));
          expect([role, Math.abs(drawn - total) < LEVELLED_WITHIN_STOPS]).toEqual([role, true]);
        }
      }),
      { numRuns: 500 },
    );
  });
});
