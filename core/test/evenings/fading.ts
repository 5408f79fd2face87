/**
 * Fading evenings, and what is foretold of them while they are metered. The light here is made by other rules than the
 * estimate's: its deviations have thicker tails, clouds and leaves jump, lamps burn on.
 */
import { foresee } from '../../src/forecast';
import { meterScene } from '../../src/metering';
import { SAMPLE_KIT } from '../../src/sample';
import {
  newPoint,
  newSetup,
  PLAIN_CHANGE,
  PLAIN_READING,
  PLAIN_STAGE,
  type Reading,
  type SceneChange,
  type Setup,
} from '../../src/setup';
import { sunPosition } from '../../src/sky';
import { chanceOf, type Chance } from './chance';

export const LIGHTS = ['clear', 'thin', 'broken', 'trees', 'room'] as const;
export type LightOf = (typeof LIGHTS)[number];
export const HORIZONS = [5, 10, 20] as const;

const PLACE = { latitudeDeg: 46.93, longitudeDeg: 10.21 };
/** An hour and a half before the sun goes down at the place, and an hour of work from there. */
const BEGIN_MS = Date.parse('2026-02-27T15:30:00Z');
const MINUTE_MS = 60_000;
const WORK_MINUTES = 60;

/** One forecast against what came. */
export interface Told {
  light: LightOf;
  horizon: number;
  error: number;
  /** within the narrow and the wide band */
  within68: boolean;
  within95: boolean;
  /** errors of two simple rules: as it was last read, and the same fall as before */
  asLast: number;
  asBefore: number;
}

/** Light of a bright sky by the sun's height: straight pieces in the logarithm, from figures of its own. */
function skyEv(altitudeDeg: number): number {
  const known = [
    [-8, 0.5],
    [-6, 3.2],
    [-4, 22],
    [-2, 150],
    [0, 680],
    [3, 2600],
    [6, 5900],
    [12, 14_500],
    [20, 27_500],
    [35, 56_000],
  ] as const;
  const next = Math.max(
    1,
    known.findIndex(([deg]) => deg >= altitudeDeg),
  );
  const [a, b] = [known[next - 1]!, known[next]!];
  const part = (altitudeDeg - a[0]) / (b[0] - a[0]);
  return Math.log2(a[1]) + part * (Math.log2(b[1]) - Math.log2(a[1])) - Math.log2(3.3);
}

/** The light at the face, half a minute by half a minute. */
class Evening {
  readonly jumps: number[] = [];
  private readonly stray: number[] = [];
  private readonly offset: number;
  private readonly lampEv: number | null;
  private readonly scale: number;

  constructor(
    readonly light: LightOf,
    { uniform, normal, thick }: Chance,
    statedLampEv: number,
  ) {
    this.offset = { clear: -1, thin: -2, broken: -1.5, trees: -3, room: -5.5 }[light] + normal(0.6);
    this.lampEv = light === 'room' ? statedLampEv + thick(0.7) : null;
    this.scale = 1 + thick(0.08);
    const walk = { clear: 0.0235, thin: 0.023, broken: 0.09, trees: 0.03, room: 0.025 }[light];
    let drift = 0;
    let cloud = 0;
    for (let step = 0; step <= (WORK_MINUTES + 30) * 2; step += 1) {
      drift += thick(walk * Math.SQRT1_2);
      if (light === 'broken' && uniform() < 1 / 14) {
        cloud = cloud === 0 ? -(0.5 + uniform()) : 0;
        this.jumps.push(step / 2);
      }
      const leaves = light === 'trees' ? thick(0.16) : 0;
      this.stray.push(drift + cloud + leaves);
    }
  }

  at(minute: number): number {
    const when = new Date(BEGIN_MS + minute * MINUTE_MS);
    const begin = skyEv(sunPosition(PLACE.latitudeDeg, PLACE.longitudeDeg, new Date(BEGIN_MS)).altitudeDeg);
    const sky = skyEv(sunPosition(PLACE.latitudeDeg, PLACE.longitudeDeg, when).altitudeDeg);
    const day = begin + (sky - begin) * this.scale + this.offset + (this.stray[Math.round(minute * 2)] ?? 0);
    return this.lampEv === null ? day : Math.log2(2 ** day + 2 ** this.lampEv);
  }
}

const id = (number: number): string => `019c9c00-0000-7000-8000-${number.toString().padStart(12, '0')}`;

const LAMP: Setup['lamps'][number] = {
  id: id(4),
  lampId: SAMPLE_KIT.lamps[0]?.id ?? '',
  pointId: 'face',
  distanceM: 3,
  sideDeg: 40,
  heightM: 1,
  offAxisDeg: 0,
  on: true,
  dimStops: -1,
  kelvin: SAMPLE_KIT.lamps[0]?.kelvinLow ?? 3200,
  role: null,
  standsFor: null,
  fromDusk: false,
};
/** What that lamp is stated to give there, EV100. */
const statedLamp = (setup: Setup): number => {
  const [point] = setup.points;
  const { light } = meterScene(setup, SAMPLE_KIT, [], new Date(BEGIN_MS));
  return (point === undefined ? null : light.statedLampAt(LAMP, point)) ?? 0;
};

function setupOf(light: LightOf): Setup {
  const fresh = newSetup(
    { id: id(1), shootId: id(2), spotId: id(3) },
    { title: 'Evening', face: 'Face', background: 'Background' },
    null,
    SAMPLE_KIT.preferences.keepOrder,
  );
  const standsIn = light === 'room' ? 'indoors' : 'shade';
  return {
    ...fresh,
    points: [{ ...newPoint('face', 'face', 'Face'), standsIn }],
    lamps: light === 'room' ? [LAMP] : [],
    stage: {
      ...PLAIN_STAGE,
      ground: 'snow',
      sun: { by: 'time', ...PLACE, at: new Date(BEGIN_MS).toISOString(), cameraLooksDeg: 60 },
    },
  };
}

const readingAt = (setup: Setup, number: number, minute: number, ev: number): Reading => {
  const stops = Math.round(ev * 10) / 10;
  return {
    ...PLAIN_READING,
    type: 'reading',
    id: id(1000 + number),
    setupId: setup.id,
    pointId: 'face',
    at: new Date(BEGIN_MS + minute * MINUTE_MS).toISOString(),
    light: 'ambient',
    text: 'simulated',
    av: stops - 6,
    tv: 6,
    sv: 0,
  };
};

const cloudAt = (setup: Setup, number: number, minute: number): SceneChange => ({
  ...PLAIN_CHANGE,
  type: 'sceneChange',
  id: id(1000 + number),
  setupId: setup.id,
  at: new Date(BEGIN_MS + minute * MINUTE_MS).toISOString(),
  what: 'sun',
});

/** One evening: metered every three to ten minutes, and at each reading what the light will be is told. */
export function tellEvening(seed: number): Told[] {
  const chance = chanceOf(seed);
  const light = LIGHTS[seed % LIGHTS.length]!;
  const setup = setupOf(light);
  const evening = new Evening(light, chance, statedLamp(setup));
  const facts: (Reading | SceneChange)[] = [];
  const told: Told[] = [];
  let before: { minute: number; ev: number } | null = null;
  let earlier: { minute: number; ev: number } | null = null;
  for (let minute = 0; minute <= WORK_MINUTES; minute += Math.round(2 * (3 + 7 * chance.uniform())) / 2) {
    const reading = readingAt(setup, facts.length, minute, evening.at(minute) + chance.thick(0.08));
    const clouds = evening.jumps.filter((jump) => jump > (before?.minute ?? 0) && jump <= minute);
    // four of five are reported
    for (const jump of clouds) if (chance.uniform() < 0.8) facts.push(cloudAt(setup, facts.length, jump));
    facts.push(reading);
    const ev = reading.av + reading.tv;
    earlier = before;
    before = { minute, ev };
    if (facts.length < 3 || earlier === null) continue;
    const forecast = foresee(setup, SAMPLE_KIT, [...facts], new Date(Date.parse(reading.at)));
    for (const horizon of HORIZONS) {
      const level = forecast?.minutes[horizon]?.levels[0];
      if (level === undefined) continue;
      const truth = evening.at(minute + horizon);
      const rate = (ev - earlier.ev) / (minute - earlier.minute);
      told.push({
        light,
        horizon,
        error: Math.abs(level.ev100 - truth),
        within68: Math.abs(level.ev100 - truth) <= level.sdStops,
        within95: Math.abs(level.ev100 - truth) <= level.wideStops,
        asLast: Math.abs(ev - truth),
        asBefore: Math.abs(ev + rate * horizon - truth),
      });
    }
  }
  return told;
}
