import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { usualPanel } from '../../test/panels';
import { usualPoint } from '../../test/points';
import { rectangleConfigurationFactor } from '../modifiers/areaSource';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { direction } from '../scene';
import { type Light, newLight, type Panel, type PanelKind, type Setup } from '../setup';
import { type AmbientSource, ambientSources, gainOf } from './ambientSources';
import { lightConfig } from './lightConfig';
import { flashAt } from './lightGain';
import { AS_IT_STANDS, standing } from './panels';
import { EYES, type Receiver, receiverOf } from './receiver';

const plain: Setup = {
  ...SAMPLE_HALL.setup,
  points: [usualPoint('face', 'face'), usualPoint('shadow', 'shadow'), usualPoint('background', 'background')],
  lights: [],
  lamps: [],
  panels: [],
  backgroundM: null,
};
const panel = (kind: PanelKind, over: Partial<Panel> = {}): Panel =>
  usualPanel(kind, { id: sampleId(300 + Math.round((over.distanceM ?? 0) * 10)), ...over });
const FACE: Receiver = { at: EYES, faces: direction(0), answers: 'dome' };
const CARD: Receiver = { ...FACE, answers: 'card' };
const stops = (a: number, b: number) => Math.log2(a / b);
const panelsOf = (setup: Setup) => standing(setup, SAMPLE_KIT, AS_IT_STANDS);

describe('a light round the face', () => {
  const key: Light = { ...newLight(sampleId(21), 'key', sampleId(111), 'face', []), distanceM: 2, heightM: 0 };
  const at = (sideDeg: number, receiver: Receiver, setup = plain) => {
    const config = lightConfig(SAMPLE_KIT, key);
    if (config === null) throw new Error('no gear');
    return flashAt({ ...key, sideDeg }, config, 0, receiver, setup, panelsOf(setup)) ?? -Infinity;
  };

  it('falls with (1 + cos θ)/2 on a dome, and with cos θ on the grey card beside it', () => {
    for (const side of [0, 40, 80, 110]) {
      const turn = (side * Math.PI) / 180;
      expect(at(side, FACE) - at(0, FACE)).toBeCloseTo(Math.log2((1 + Math.cos(turn)) / 2), 6);
    }
    expect(at(40, CARD) - at(0, CARD)).toBeCloseTo(Math.log2(Math.cos((40 * Math.PI) / 180)), 6);
  });

  it('is always something where it aims, and next to nothing from behind', () => {
    expect(at(170, FACE)).toBeLessThan(at(0, FACE) - 6);
    expect(Number.isFinite(at(180, FACE))).toBe(true);
  });

  it('turning the head towards it brightens the face as much', () => {
    const turned = { ...plain, stage: { ...plain.stage, subject: { ...plain.stage.subject, turnDeg: 110 } } };
    const face = receiverOf({ role: 'face' }, turned) as Receiver;
    expect(at(110, face, turned)).toBeCloseTo(at(0, FACE), 6);
  });

  it('comes back from a reflector opposite, and stops at a flag', () => {
    const with1 = { ...plain, panels: [panel('reflector', { sideDeg: -60, distanceM: 0.8 })] };
    const shadow = receiverOf({ role: 'shadow' }, plain) as Receiver;
    expect(at(60, shadow, with1)).toBeGreaterThan(at(60, shadow) + 0.3);
    const flagged = { ...plain, panels: [panel('flag', { sideDeg: 60, distanceM: 1, heightM: 0 })] };
    expect(at(60, FACE, flagged)).toBeLessThan(at(60, FACE) - 5);
  });
});

describe('an opening', () => {
  const door = (distanceM: number): Setup => ({
    ...plain,
    panels: [panel('porch', { sideDeg: 0, heightM: 0, distanceM, widthM: 3, tallM: 2.2 })],
  });
  const through = (distanceM: number, receiver: Receiver) => {
    const setup = door(distanceM);
    const [source] = ambientSources(setup, SAMPLE_KIT, AS_IT_STANDS)
      .map((one) => one.source)
      .filter(({ kind }) => kind === 'opening') as [AmbientSource];
    return gainOf(source, receiver, panelsOf(setup));
  };
  const backdrop: Receiver = { ...CARD, at: { x: 0, y: 0, z: -1.5 } };

  it('lights every point by the solid angle that it has there: the exact rectangle', () => {
    for (const distanceM of [1.8, 4.5])
      expect(through(distanceM, CARD)).toBeCloseTo(rectangleConfigurationFactor(3, 2.2, distanceM), 2);
    expect(stops(through(4.5, CARD), through(1.8, CARD))).toBeCloseTo(-2.04, 1);
    expect(stops(through(1.8, backdrop), through(1.8, CARD))).toBeCloseTo(-1.27, 1);
    expect(stops(through(4.5, backdrop), through(4.5, CARD))).toBeCloseTo(-0.76, 1);
  });
});

describe('panels', () => {
  const DARK_SIDE = { sideDeg: -60, heightM: 0 };
  const reflector = (surface: Panel['surface'], distanceM: number, over: Partial<Panel> = {}): Setup => ({
    ...plain,
    panels: [panel('reflector', { surface, ...DARK_SIDE, distanceM, widthM: 0.9, tallM: 0.9, ...over })],
  });
  const shadow = receiverOf({ role: 'shadow' }, plain) as Receiver;
  const even: AmbientSource = { id: 'even', kind: 'even' };
  const side: AmbientSource = { id: 'side', kind: 'side', towards: direction(90) };

  it('white and metal answer even light alike', () => {
    const lit = (surface: Panel['surface']) => gainOf(even, shadow, panelsOf(reflector(surface, 1)));
    expect(Math.abs(stops(lit('silver'), lit('white')))).toBeLessThan(0.2);
    expect(Math.abs(stops(lit('striped'), lit('white')))).toBeLessThan(0.2);
    expect(lit('black')).toBeLessThan(gainOf(even, shadow, []));
  });

  it('metal gains towards a broad open side, and loses beside what it mirrors', () => {
    const thrown = (surface: Panel['surface'], over: Partial<Panel> = {}) => {
      const panels = panelsOf(reflector(surface, 1, over));
      return gainOf(side, shadow, panels) - gainOf(side, shadow, panelsOf(reflector('black', 1, over)));
    };
    const facing = { sideDeg: -90 };
    expect(stops(thrown('silver', facing), thrown('white', facing))).toBeGreaterThan(0.3);
    expect(stops(thrown('silver', facing), thrown('white', facing))).toBeLessThan(1);
    expect(thrown('silver', { ...facing, turnedDeg: -50 })).toBeLessThan(
      thrown('white', { ...facing, turnedDeg: -50 }),
    );
  });

  it('metal gains one to two stops in its lobe towards an opening, and loses beside it', () => {
    const lifted = (surface: Panel['surface'], turnedDeg: number) => {
      const setup: Setup = {
        ...plain,
        panels: [
          panel('window', { sideDeg: 90, heightM: 0, distanceM: 3, widthM: 1, tallM: 1 }),
          ...reflector(surface, 1, { sideDeg: -90, turnedDeg }).panels,
        ],
      };
      const [source] = ambientSources(setup, SAMPLE_KIT, AS_IT_STANDS)
        .map((one) => one.source)
        .filter(({ kind }) => kind === 'opening') as [AmbientSource];
      return gainOf(source, shadow, panelsOf(setup));
    };
    expect(stops(lifted('silver', 0), lifted('white', 0))).toBeGreaterThan(1);
    expect(stops(lifted('silver', 0), lifted('white', 0))).toBeLessThan(2.1);
    expect(lifted('silver', 40)).toBeLessThan(lifted('white', 40));
  });

  it('lift the dark side as an independent integration says', () => {
    // 2.3 stops apart in the light of one broad open side: how strong it is against the even rest
    const apart = (share: number) => {
      const at = (receiver: Receiver) => gainOf(even, receiver, []) + share * gainOf(side, receiver, []);
      return stops(at(FACE), at(shadow));
    };
    let [low, high] = [0, 1e4];
    for (let i = 0; i < 80; i += 1) {
      const middle = (low + high) / 2;
      if (apart(middle) < 2.3) low = middle;
      else high = middle;
    }
    const lift = (distanceM: number, receiver: Receiver) => {
      const panels = panelsOf(reflector('white', distanceM));
      const at = (some: typeof panels) => gainOf(even, receiver, some) + low * gainOf(side, receiver, some);
      return stops(at(panels), at([]));
    };
    expect(apart(low)).toBeCloseTo(2.3, 2);
    expect(lift(1, shadow)).toBeGreaterThan(0.45);
    expect(lift(1, shadow)).toBeLessThan(0.8);
    expect(Math.abs(lift(1, FACE))).toBeLessThan(0.2);
    expect(lift(0.7, shadow)).toBeGreaterThan(0.8);
    expect(lift(0.7, shadow)).toBeLessThan(1.15);
    expect(lift(1.5, shadow)).toBeGreaterThan(0.25);
    expect(lift(1.5, shadow)).toBeLessThan(0.45);
  });

  it('never give less than nothing, whatever stands where', () => {
    const any = fc.record({
      surface: fc.constantFrom('white' as const, 'silver' as const, 'striped' as const, 'black' as const),
      kind: fc.constantFrom<PanelKind>('reflector', 'diffuser', 'flag'),
      distanceM: fc.double({ min: 0.3, max: 5, noNaN: true }),
      sideDeg: fc.integer({ min: -180, max: 180 }),
      turnedDeg: fc.integer({ min: -80, max: 80 }),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 3 }), fc.constantFrom(even, side), (some, source) => {
        const setup = { ...plain, panels: some.map(({ kind, ...over }) => panel(kind, over)) };
        for (const receiver of [FACE, CARD, shadow]) {
          const gain = gainOf(source, receiver, panelsOf(setup));
          expect(gain >= 0 && Number.isFinite(gain)).toBe(true);
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe('the side that the ambient comes from', () => {
  const facing = (openSide: Setup['stage']['openSide'], turnDeg: number) => {
    const subject = { ...plain.stage.subject, turnDeg };
    const setup = { ...plain, panels: [], stage: { ...plain.stage, openSide, subject } };
    const at: Receiver = { at: EYES, faces: direction(turnDeg), answers: 'dome' };
    return ambientSources(setup, SAMPLE_KIT, AS_IT_STANDS).reduce(
      (sum, { source, overFaceStops }) => sum + 2 ** overFaceStops * gainOf(source, at, []),
      0,
    );
  };
  it('lights a face that is turned to it more than one that is turned from it, and all round neither', () => {
    for (const [openSide, towardsDeg] of [
      ['left', -70],
      ['right', 70],
    ] as const)
      expect(stops(facing(openSide, towardsDeg), facing(openSide, -towardsDeg))).toBeGreaterThan(0.5);
    expect(facing('camera', 0)).toBeGreaterThan(facing('camera', 180));
    expect(facing('behind', 180)).toBeGreaterThan(facing('behind', 0));
    expect(facing('all-round', 70)).toBeCloseTo(facing('all-round', -70), 9);
    expect(facing('above', 70)).toBeCloseTo(facing('above', -70), 9);
  });
});
