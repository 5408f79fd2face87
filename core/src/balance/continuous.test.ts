import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { ambientPair } from '../../test/ambientPair';
import { usualPanel } from '../../test/panels';
import { usualPoint } from '../../test/points';
import { solveSaid } from '../../test/said';
import { type Kit, lampLuxAt1M, POWER_NOT_SAID, SURFACES } from '../gear';
import { type Lamp, lampSchema } from '../gear/lamp';
import { ev100FromLux } from '../photometry';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import {
  changedPanel,
  type Light,
  newLight,
  type Panel,
  PANEL_FACTS,
  PANEL_KINDS,
  type PanelKind,
  PLAIN_CHANGE,
  type Reading,
  type SceneChange,
  type Setup,
  stoodOf,
  withSettings,
} from '../setup';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const { setup, facts } = ambientPair(SAMPLE_HALL.setup);
const panel = {
  id: sampleId(201),
  lampId: sampleId(165),
  pointId: 'face',
  distanceM: 2,
  sideDeg: 0,
  heightM: 0,
  offAxisDeg: 0,
  on: true,
  dimStops: 0,
  kelvin: 3200,
  role: null,
  standsFor: null,
  fromDusk: false,
};
const withLamp = (over: Partial<typeof panel> = {}): Setup => ({ ...setup, lamps: [{ ...panel, ...over }] });
const solved = (one: Setup, kit: Kit = SAMPLE_KIT) => solveSaid(one, kit, facts, CLOCK);
/** The application knows that something was done to the lamp after the points were read. */
const lampWas = (lamps: (typeof panel)[]): (Reading | SceneChange)[] => [
  ...facts.map((one): Reading => ({ ...one, stood: { ...stoodOf(setup), lamps } })),
  {
    ...PLAIN_CHANGE,
    id: sampleId(401),
    setupId: setup.id,
    at: '2026-02-27T15:35:00Z',
    what: 'lamp',
    thingId: panel.id,
  },
];
/** The lamp was brought after the points were read. */
const brought = (over: Partial<typeof panel> = {}) => solveSaid(withLamp(over), SAMPLE_KIT, lampWas([]), CLOCK);

describe('a continuous lamp', () => {
  it('gives what its lux at a metre give at the distance, and adds that to the ambient', () => {
    const { lamps, points } = brought();
    const [lamp] = lamps;
    expect(lamp?.ev100).toBeCloseTo(ev100FromLux(400), 9);
    expect(lamp?.addsStops).toBeCloseTo(Math.log2(2 ** 8 + 2 ** (lamp?.ev100 ?? 0)) - 8, 2);
    expect(lamp?.text).toBe(
      'EV 6.9 ± 1.1 on the face, 1.1 stops under the rest there: it adds +0.6. 95 min on its battery.',
    );
    const face = points.find(({ role }) => role === 'face');
    expect(face?.ambientEv100).toBeCloseTo(8 + (lamp?.addsStops ?? 0), 1);
    // how strong it really is nobody has read yet
    expect(face).toMatchObject({ basis: 'carried', stale: { kind: 'scene' } });
  });

  it('switched on and metered it is counted once; switched off afterwards it is taken off again', () => {
    const faceOf = ({ points }: ReturnType<typeof solved>) => points.find(({ role }) => role === 'face')?.ambientEv100;
    expect(faceOf(solved(withLamp()))).toBeCloseTo(8, 1);
    const off = solveSaid(withLamp({ on: false }), SAMPLE_KIT, lampWas([panel]), CLOCK);
    expect(faceOf(off)).toBeLessThan(7.6);
    expect(faceOf(off)).toBeGreaterThan(6);
    expect(off.lamps[0]?.text).toMatch(/^Off\. EV .* switched on it adds \+/);
  });

  it('a reading with it and one without say how strong it is', () => {
    const later: Reading = { ...(facts[0] as Reading), id: sampleId(402), at: '2026-02-27T15:36:00Z', av: 9.2 - 5 };
    const { lamps } = solveSaid(withLamp(), SAMPLE_KIT, [...lampWas([]), later], CLOCK);
    expect(lamps[0]?.ev100).toBeCloseTo(Math.log2(2 ** 9.2 - 2 ** 8), 0);
    expect(lamps[0]?.sdStops).toBeLessThan(0.4);
  });

  it('a dimmer takes stops, twice the distance two, and neither ever adds', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -8, max: 0, noNaN: true }),
        fc.double({ min: 0.3, max: 14, noNaN: true }),
        (dimStops, distanceM) => {
          const ev = (over: Partial<typeof panel>) => brought(over).lamps[0]?.ev100 ?? NaN;
          expect(ev({ dimStops }) - ev({})).toBeCloseTo(dimStops, 6);
          expect(ev({ distanceM: 2 * distanceM }) - ev({ distanceM })).toBeCloseTo(-2, 6);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('lumens over a cone come to lux: a full half sphere takes 2π', () => {
    const lamp = (beamDeg: number): Lamp => ({
      name: 'x',
      output: { by: 'lumens', lumens: 1000, beamDeg },
      kelvinLow: 3000,
      kelvinHigh: 3000,
      ...POWER_NOT_SAID,
      dimmer: null,
      beam: { kind: 'diffuse' },
    });
    expect(lampLuxAt1M(lamp(180))).toBeCloseTo(1000 / (2 * Math.PI), 6);
    expect(lampLuxAt1M(lamp(60))).toBeGreaterThan(lampLuxAt1M(lamp(120)));
    expect(lampSchema.safeParse({ ...lamp(60), kelvinHigh: 2000 }).success).toBe(false);
  });

  it('shows in its colour, has a dimmer of its own among the dials, and is passed over when it has left the kit', () => {
    const { colour, dials } = solved(withLamp());
    expect(colour.sources.find(({ name }) => name === 'Two-colour LED panel')).toMatchObject({
      words: 'plainly warm',
      kelvin: 3200,
    });
    const dimmer = dials?.columns.find(({ dial }) => dial === 'dimmer');
    expect([dimmer?.stops['lamps'], dimmer?.stops['ambient']]).toEqual([expect.closeTo(-1 / 3, 9), 0]);
    const changed = withSettings(withLamp(), dimmer?.settings ?? []);
    expect(changed.ok && changed.value.lamps[0]?.dimStops).toBeCloseTo(-1 / 3, 9);
    expect(solved(withLamp(), { ...SAMPLE_KIT, lamps: [] }).lamps).toEqual([]);
  });
});

describe('panels and openings', () => {
  const LATER = '2026-02-27T15:35:00Z';
  const usual = (kind: PanelKind, over: Partial<Panel> = {}): Panel =>
    usualPanel(kind, { id: sampleId(166), movedAt: LATER, ...over });
  const sunny = (sideDeg: number, altitudeDeg: number): Setup => ({
    ...setup,
    stage: { ...setup.stage, sun: { by: 'hand', sideDeg, altitudeDeg } },
  });
  const first = (one: Setup) => {
    const [its] = solved(one).panels;
    if (its === undefined) throw new Error('no panel');
    return its;
  };
  const ambientOf = (one: Setup, role: string) =>
    solved(one).points.find((point) => point.role === role)?.ambientEv100 ?? NaN;

  it('a reflector opens the dark side, the more the nearer; silver that throws the sun more than white; black closes it', () => {
    const behind = sunny(150, 30);
    const held = (over: Partial<Panel>) =>
      first({ ...behind, panels: [usual('reflector', { sideDeg: -30, ...over })] }).shadowStops;
    expect(held({ surface: 'silver' })).toBeGreaterThan(held({ surface: 'striped' }));
    expect(held({ surface: 'striped' })).toBeGreaterThan(held({ surface: 'white' }));
    expect(held({ surface: 'white' })).toBeGreaterThan(0.05);
    expect(held({ surface: 'black' })).toBeLessThan(0);
    expect(held({ surface: 'white', distanceM: 1.6 })).toBeLessThan(held({ surface: 'white' }));
  });

  it('says the contrast before and after, which differ by what it does to both sides, and asks for the reading that is missing', () => {
    const its = first({ ...sunny(60, 35), panels: [usual('reflector')] });
    expect(its.contrastBeforeStops).toBeCloseTo(2, 1);
    expect((its.contrastBeforeStops ?? 0) - (its.contrastAfterStops ?? 0)).toBeCloseTo(
      its.shadowStops - its.faceStops,
      9,
    );
    expect(its.contrastAfterStops).toBeLessThan(2);
    expect(its.text).toMatch(
      /^Reflector, white, 110 cm: dark side \d\.\d stops brighter, face .*\. Contrast from 2\.0 to \d\.\d stops?, with flash \d\.\d\.$/,
    );
    const alone = solveSaid({ ...sunny(60, 35), panels: [usual('reflector')] }, SAMPLE_KIT, facts.slice(0, 1), CLOCK)
      .panels[0];
    expect([alone?.contrastBeforeStops, alone?.text]).toEqual([
      null,
      expect.stringMatching(/Meter face and shadow side/),
    ]);
  });

  it('what was moved after a reading changes the ambient; a reading taken with it there holds as it is', () => {
    const lifted = { ...sunny(60, 35), panels: [usual('reflector')] };
    expect(ambientOf(lifted, 'shadow') - ambientOf(setup, 'shadow')).toBeCloseTo(first(lifted).shadowStops, 2);
    expect(solved(lifted).points.find(({ role }) => role === 'shadow')?.basis).toBe('carried');
    const seen = { ...lifted, panels: lifted.panels.map((one) => ({ ...one, movedAt: null })) };
    expect(ambientOf(seen, 'shadow')).toBeCloseTo(ambientOf(setup, 'shadow'), 1);
  });

  it('a subject twice as far from a window gets less light, by the area source and not the inverse square', () => {
    const window = usual('window', { movedAt: null });
    const { sideDeg, heightM, turnedDeg } = window;
    const moved = (distanceM: number) =>
      ambientOf(
        {
          ...setup,
          panels: [{ ...window, distanceM, movedAt: LATER, before: { sideDeg, distanceM: 1, heightM, turnedDeg } }],
        },
        'face',
      );
    expect(moved(1)).toBeCloseTo(ambientOf(setup, 'face'), 6);
    expect(moved(2)).toBeLessThan(moved(1) - 0.3);
    expect(moved(2)).toBeGreaterThan(moved(1) - 2);
    expect(moved(8)).toBeGreaterThan(moved(1) - 3); // the rest of the room stays
  });

  it('a diffuser takes its stops off the direct sun and leaves the background; a flag takes all of it', () => {
    const frontal = sunny(20, 30);
    const over = (kind: PanelKind) => ({
      ...frontal,
      panels: [usual(kind, { sideDeg: 20, distanceM: 1, heightM: 0.5, takesStops: 1.5 })],
    });
    const drop = (one: Setup) => ambientOf(frontal, 'face') - ambientOf(one, 'face');
    expect(drop(over('diffuser'))).toBeGreaterThan(0.7);
    expect(drop(over('diffuser'))).toBeLessThan(1.6);
    expect(drop(over('flag'))).toBeGreaterThan(drop(over('diffuser')));
    const behind: Reading = { ...(facts[0] as Reading), id: sampleId(303), pointId: 'background' };
    const withBackground = { ...over('flag'), points: [...setup.points, usualPoint('background', 'background')] };
    expect(
      solveSaid(withBackground, SAMPLE_KIT, [...facts, behind], CLOCK).points.find(({ role }) => role === 'background')
        ?.ambientEv100,
    ).toBeCloseTo(8, 2);
    expect(drop({ ...frontal, panels: [usual('flag', { sideDeg: -120 })] })).toBeLessThan(0.3);
  });

  it('a flag takes a flash off the face, and a reflector fills with it', () => {
    const key: Light = { ...newLight(sampleId(21), 'key', sampleId(111), 'face', []), modifierId: sampleId(121) };
    const flash = (panels: Panel[], role: string) =>
      solveSaid({ ...setup, lights: [key], panels }, SAMPLE_KIT, facts, CLOCK).points.find(
        (point) => point.role === role,
      )?.sources[0]?.stops ?? -99;
    const flagged = solveSaid(
      {
        ...setup,
        lights: [key],
        panels: [usual('flag', { sideDeg: 40, heightM: 0.2, distanceM: 0.7, movedAt: null })],
      },
      SAMPLE_KIT,
      facts,
      CLOCK,
    ).lights[0];
    expect(flagged?.outOfRange?.direction).toBe('too weak');
    expect(flash([usual('reflector', { sideDeg: -60, surface: 'silver', movedAt: null })], 'shadow')).toBeGreaterThan(
      flash([], 'shadow') + 0.2,
    );
  });

  it('what readings have seen of a panel is kept through moves', () => {
    const start = usual('reflector', { movedAt: null });
    const once = changedPanel(start, { distanceM: 1.5 }, '2026-02-27T15:31:00Z', '2026-02-27T15:00:00Z');
    expect(once).toMatchObject({ distanceM: 1.5, movedAt: '2026-02-27T15:31:00Z', before: { distanceM: 0.8 } });
    const twice = changedPanel(once, { distanceM: 2 }, '2026-02-27T15:32:00Z', '2026-02-27T15:00:00Z');
    expect(twice).toMatchObject({ distanceM: 2, before: { distanceM: 0.8 } });
    expect(changedPanel(twice, { distanceM: 3 }, '2026-02-27T15:34:00Z', '2026-02-27T15:33:00Z').before).toMatchObject({
      distanceM: 2,
    });
    expect(changedPanel(start, { distanceM: 2 }, LATER, null).movedAt).toBeNull();
  });

  it('light is never negative, and shares add to one where nothing covers or throws, wherever panels stand', () => {
    const stand = fc.record({
      kind: fc.constantFrom(...PANEL_KINDS),
      surface: fc.constantFrom(...SURFACES),
      sideDeg: fc.integer({ min: -180, max: 180 }),
      distanceM: fc.double({ min: 0.3, max: 8, noNaN: true }),
      heightM: fc.double({ min: -1, max: 3, noNaN: true }),
      turnedDeg: fc.integer({ min: -80, max: 80 }),
    });
    fc.assert(
      fc.property(
        fc.array(stand, { maxLength: 4 }),
        fc.integer({ min: -180, max: 180 }),
        fc.integer({ min: -5, max: 80 }),
        (stands, side, altitude) => {
          const { points, stage, panels } = solved({
            ...sunny(side, altitude),
            panels: stands.map((over, index) => usual(over.kind, { ...over, id: sampleId(300 + index) })),
          });
          const { sunOnCard, soft, openings, panels: sent } = stage.ambient;
          for (const value of [sunOnCard, soft, ...[...openings, ...sent].map(({ share }) => share)])
            expect(value).toBeGreaterThanOrEqual(-1e-12);
          const indoors = stands.some(({ kind }) => PANEL_FACTS[kind].opening);
          if (indoors && stands.every(({ kind }) => PANEL_FACTS[kind].opening))
            expect(soft + openings.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
          for (const { ambientEv100 } of points) expect(Number.isFinite(ambientEv100)).toBe(true);
          for (const { faceStops, shadowStops } of panels) expect(Number.isFinite(faceStops + shadowStops)).toBe(true);
        },
      ),
      { numRuns: 60 },
    );
  });
});
