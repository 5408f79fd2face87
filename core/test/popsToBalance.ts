import { balance } from '../src/balance';
import { type Calibration, UNTAUGHT } from '../src/calibration';
import { seeded } from '../src/devices';
import { BELIEFS, estimate, type Taken } from '../src/estimate';
import { powerSettings, snapPower } from '../src/flash';
import { firedAs, type LightConfig, lightConfig } from '../src/gain';
import { missStops } from '../src/lights';
import { choosePowers } from '../src/lights/powers';
import { meterScene } from '../src/metering';
import { addLight, roundToStep } from '../src/photometry';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../src/sample';
import { type Light, newLight, PLAIN_READING, type Reading, type Setup, USUAL_METHOD } from '../src/setup';
import { evening, FACE, key } from './evenings/plain';
import { usualPoint } from './points';

/** A target is met when its tone lies no more than this further off than the best that the dials can do, stops. */
const WITHIN_STOPS = 1 / 6;
const MOST_POPS = 12;
const CLOCK = new Date('2026-02-27T15:02:00Z');
/** The points are metered, and then a pop is read every twenty seconds. */
const AMBIENT_AT = '2026-02-27T15:00:00Z';
const popAt = (pops: number): string => new Date(Date.parse(AMBIENT_AT) + (60 + 20 * pops) * 1000).toISOString();
const hall = SAMPLE_HALL.setup;
const POINTS = [usualPoint('face', 'face'), usualPoint('shadow', 'shadow'), usualPoint('hair', 'highlight')];
const ROLES = [
  ['key', 'face', 111],
  ['fill', 'shadow', 112],
  ['rim', 'hair', 114],
] as const;
const MODIFIERS = [121, 122, 123, 124];

interface Scene {
  setup: Setup;
  ambient: Reading[];
  camera: { tv: number; sv: number; level: number };
  /** light at each point from each light at full power, stops against mid grey: as it really is */
  gains: number[][];
  /** how far each light's dial strays, stops per stop under full */
  slope: number[];
  targets: { kind: 'value'; stops: number; weight: number }[];
  ambientStops: number[];
  hidden: Map<string, number>;
}

/** A scene and kit with hidden deviations: units, modifiers, dials, and how light spills round bodies. */
function makeScene(random: () => number, count: number): Scene | null {
  const between = (low: number, high: number) => low + (high - low) * random();
  const normal = (sd: number) => sd * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const ev = between(9, 12);
  const at = (pointId: string, number: number, level: number): Reading => ({
    ...PLAIN_READING,
    id: sampleId(number),
    setupId: hall.id,
    pointId,
    at: AMBIENT_AT,
    text: 'x',
    av: level - 6,
    tv: 6,
    sv: 0,
  });
  const ambient = [
    at('face', 701, ev),
    at('shadow', 702, ev - between(0.5, 1.5)),
    at('hair', 703, ev - between(0, 1.5)),
  ];
  const pick = () => sampleId(MODIFIERS[Math.floor(random() * MODIFIERS.length)] ?? 121);
  const lights: Light[] = ROLES.slice(0, count).map(([role, aim, unit], index) => {
    const light = newLight(sampleId(21 + index), role, sampleId(unit), aim, []);
    return {
      ...light,
      group: 'ABC'[index] as Light['group'],
      modifierId: role === 'rim' ? null : pick(),
      distanceM: light.distanceM * between(0.8, 1.6),
      placeSaid: true,
      sideDeg: light.sideDeg * between(0.8, 1.2),
    };
  });
  const wantedAv = roundToStep(ev + 2 - 7.5, 1 / 3);
  const setup: Setup = {
    ...hall,
    points: POINTS.slice(0, Math.max(1, count)),
    look: { ...hall.look, holdBackStops: between(1, 2.5) },
    camera: { ...hall.camera, wantedAv: Math.max(3, wantedAv), support: 'tripod', motion: 'none' },
    lights,
  };
  const now = balance(setup, SAMPLE_KIT, meterScene(setup, SAMPLE_KIT, ambient, CLOCK));
  if (
    now.camera?.met !== true ||
    now.lights.some(({ powerStops, outOfRange }) => powerStops === null || outOfRange !== null)
  )
    return null;
  const hidden = new Map<string, number>();
  const gains = now.points.map((point) =>
    lights.map((light) => {
      const source = point.sources.find(({ lightId }) => lightId === light.id);
      const config = lightConfig(SAMPLE_KIT, light);
      const power = now.lights.find(({ lightId }) => lightId === light.id)?.powerStops ?? 0;
      if (source === undefined || config === null) return -Infinity;
      const off = config.things.reduce((sum, { id, sdStops }) => {
        if (!hidden.has(id)) hidden.set(id, Math.max(-1, Math.min(1, normal(sdStops))));
        return sum + (hidden.get(id) ?? 0);
      }, 0);
      return source.stops - power + off + (point.pointId === light.aimPointId ? 0 : normal(0.3));
    }),
  );
  return {
    setup,
    ambient,
    camera: { tv: now.camera.tv, sv: now.camera.sv, level: now.camera.ev100 },
    gains,
    hidden,
    slope: lights.map(() => normal(0.02)),
    targets: now.points.map(
      ({ targetStops, toneStops = 0 }: { targetStops: number | null; toneStops?: number }, index) => ({
        kind: 'value',
        stops: (targetStops ?? 0) - toneStops,
        weight: index === 0 ? 4 : 1,
      }),
    ),
    ambientStops: now.points.map(({ ambientStops }) => ambientStops ?? -20),
  };
}

const flashAt = ({ gains, slope }: Scene, point: number, light: number, power: number): number =>
  (gains[point]?.[light] ?? -Infinity) + power * (1 + (slope[light] ?? 0));
const levelAt = (scene: Scene, point: number, powers: readonly number[]): number =>
  addLight(
    scene.ambientStops[point] ?? -20,
    ...powers.map((power, light) => flashAt(scene, point, light, power)).filter(Number.isFinite),
  );

/** Whether every target is within a sixth of its reachable best at these powers. */
function judge(scene: Scene): (powers: readonly number[]) => boolean {
  const settings = scene.setup.lights.map(({ unitId }) =>
    powerSettings(
      SAMPLE_KIT.flashUnits.find(({ id }) => id === unitId)?.scale ?? {
        kind: 'fraction',
        step: 'third',
        lowestStops: -8,
      },
    ),
  );
  const best = choosePowers({
    gains: scene.gains.map((row) => row.map((gain) => (Number.isFinite(gain) ? 2 ** gain : 0))),
    ambient: scene.ambientStops.map((stops) => 2 ** stops),
    targets: scene.targets,
    settings,
  }).powersStops;
  const miss = (powers: readonly number[], point: number) =>
    Math.abs(
      missStops(2 ** levelAt(scene, point, powers), scene.targets[point] ?? { kind: 'value', stops: 0, weight: 1 }),
    );
  const reachable = scene.targets.map((_, point) => miss(best, point));
  return (powers) => scene.targets.every((_, point) => miss(powers, point) <= (reachable[point] ?? 0) + WITHIN_STOPS);
}

/** A meter in tenths that errs by up to a twentieth. */
const read = (stops: number, random: () => number) => roundToStep(stops + (random() * 2 - 1) * 0.05, 0.1);

/**
 * Test pops by the application: it proposes, each light is read alone once where it aims, and then the spill
 * that weighs most where something is still off.
 */
function popsByApplication(scene: Scene, earlier: number, random: () => number): number {
  const good = judge(scene);
  const { setup } = scene;
  const configs = setup.lights.map((light) => lightConfig(SAMPLE_KIT, light));
  const kit = { ...SAMPLE_KIT, calibration: taughtBy(scene, earlier, configs, random) };
  const facts: Reading[] = [...scene.ambient];
  for (let pops = 0; pops < MOST_POPS; pops += 1) {
    const now = balance(setup, kit, meterScene(setup, kit, facts, CLOCK));
    const powers = setup.lights.map(
      (light) => now.lights.find(({ lightId }) => lightId === light.id)?.powerStops ?? -20,
    );
    if (good(powers)) return pops;
    // the one not yet read, the most doubtful first; then in turn
    const unread = now.lights
      .filter(({ basis }) => basis !== 'reading')
      .sort((a, b) => b.uncertaintyStops * b.flashShare - a.uncertaintyStops * a.flashShare)[0];
    const spill = now.points
      .flatMap(({ sources }, at) =>
        sources.filter(({ basis }) => basis !== 'reading').map(({ lightId, share }) => ({ at, lightId, share })),
      )
      .sort((a, b) => b.share - a.share)[0];
    const index = unread?.index ?? setup.lights.findIndex(({ id }) => id === spill?.lightId);
    const light = setup.lights[index];
    if (light === undefined) return MOST_POPS;
    const point =
      unread !== undefined || spill === undefined
        ? setup.points.findIndex(({ id }) => id === light.aimPointId)
        : spill.at;
    const pointId = setup.points[point]?.id ?? light.aimPointId;
    const power = powers[index] ?? 0;
    const stops = read(flashAt(scene, point, index, power), random);
    const fired = [firedAs(setup, light, power, pointId, 0, USUAL_METHOD)];
    facts.push(popReading(scene, pops, { pointId, light: 'flash', stops, fired }));
  }
  return MOST_POPS;
}

/** What a meter reads of a pop, held at the camera's settings. @param stops against mid grey */
const popReading = (
  { setup, camera: { level, tv, sv } }: Scene,
  pops: number,
  { stops, ...read }: Pick<Reading, 'pointId' | 'light' | 'fired'> & { stops: number },
): Reading => ({
  ...PLAIN_READING,
  id: sampleId(800 + pops),
  setupId: setup.id,
  at: popAt(pops),
  text: 'x',
  av: level - tv + sv + stops,
  tv,
  sv,
  ...read,
});

/** A total that is read at a point with all lights on at powers. */
function totalReading(
  scene: Scene,
  pops: number,
  at: number,
  powers: readonly number[],
  random: () => number,
): Reading {
  const { setup } = scene;
  const pointId = setup.points[at]?.id ?? 'face';
  const fired = setup.lights.map((light, index) => firedAs(setup, light, powers[index] ?? 0, pointId, 0, USUAL_METHOD));
  return popReading(scene, pops, { pointId, light: 'total', stops: read(levelAt(scene, at, powers), random), fired });
}

/**
 * Test pops with all lights on. `least`: each at the point whose total is known least. `pass`: every point once at the same
 * powers, then they are set anew, and so on.
 */
function popsAllOn(scene: Scene, how: 'least' | 'pass', earlier: number, random: () => number): number {
  const good = judge(scene);
  const { setup } = scene;
  const configs = setup.lights.map((light) => lightConfig(SAMPLE_KIT, light));
  const kit = { ...SAMPLE_KIT, calibration: taughtBy(scene, earlier, configs, random) };
  const facts: Reading[] = [...scene.ambient];
  const solve = () => {
    const now = balance(setup, kit, meterScene(setup, kit, [...facts], CLOCK));
    const powers = setup.lights.map(
      (light) => now.lights.find(({ lightId }) => lightId === light.id)?.powerStops ?? -20,
    );
    return { now, powers };
  };
  for (let pops = 0; pops < MOST_POPS;) {
    const { now, powers } = solve();
    if (good(powers)) return pops;
    const least = setup.points.findIndex(({ id }) => id === now.leastKnown?.pointId);
    const points = how === 'pass' ? setup.points.map((_, at) => at) : [Math.max(0, least)];
    for (const at of points) facts.push(totalReading(scene, (pops += 1), at, powers, random));
  }
  return MOST_POPS;
}

/** What so many flashes on earlier days have taught, read alone. */
function taughtBy(
  { hidden }: Scene,
  earlier: number,
  configs: readonly (LightConfig | null)[],
  random: () => number,
): Calibration {
  if (earlier === 0) return UNTAUGHT;
  const made = new Map(configs.flatMap((config) => config?.things ?? []).map((thing) => [thing.id, thing]));
  const taken = Array.from({ length: earlier }, (_, index): Taken => {
    const things = configs[index % configs.length]?.things ?? [];
    const off = things.reduce((sum, { id }) => sum + (hidden.get(id) ?? 0), 0);
    return {
      ...FACE,
      id: `${index}`,
      minute: index,
      light: 'flash',
      instrument: null,
      fired: [{ ...key(-4, 0), made: things, place: `${index}` }],
      stops: read(off - 4, random),
      sdStops: BELIEFS.noise,
      sure: true,
    };
  });
  const learned = estimate(evening(taken)).learned([...made.values()]);
  return {
    ids: [...learned.ids],
    meanStops: [...learned.meanStops],
    covariance: learned.covariance.map((row) => [...row]),
    readings: learned.ids.map(() => earlier),
  };
}

/**
 * Test pops by the usual routine: a guess, each light alone to its own target in whole and third stops, then all
 * together, point by point.
 */
function popsByRoutine(scene: Scene, random: () => number): number {
  const good = judge(scene);
  const { setup } = scene;
  const scaleOf = (light: Light) =>
    SAMPLE_KIT.flashUnits.find(({ id }) => id === light.unitId)?.scale ?? {
      kind: 'fraction' as const,
      step: 'third' as const,
      lowestStops: -8,
    };
  const powers = setup.lights.map((light) => snapPower(scaleOf(light), -3));
  const turned = (error: number) => (Math.abs(error) >= 1 ? Math.round(error) : roundToStep(error, 1 / 3));
  let pops = 0;
  for (const [index, light] of setup.lights.entries()) {
    const point = setup.points.findIndex(({ id }) => id === light.aimPointId);
    for (; pops < MOST_POPS;) {
      if (good(powers)) return pops;
      pops += 1;
      const error =
        (scene.targets[point]?.stops ?? 0) -
        read(addLight(scene.ambientStops[point] ?? -20, flashAt(scene, point, index, powers[index] ?? 0)), random);
      if (Math.abs(error) < WITHIN_STOPS) break;
      powers[index] = snapPower(scaleOf(light), (powers[index] ?? 0) + turned(error));
    }
  }
  for (let turn = 0; pops < MOST_POPS; pops += 1, turn += 1) {
    if (good(powers)) return pops;
    const index = turn % setup.lights.length;
    const light = setup.lights[index];
    const point = setup.points.findIndex(({ id }) => id === light?.aimPointId);
    const error = (scene.targets[point]?.stops ?? 0) - read(levelAt(scene, point, powers), random);
    if (light !== undefined) powers[index] = snapPower(scaleOf(light), (powers[index] ?? 0) + turned(error));
  }
  return pops;
}

/** Counts of pops over many scenes: median, mean, and the most that nine of ten scenes need. */
export interface PopCount {
  lights: number;
  how: string;
  median: number;
  mean: number;
  ninth: number;
}

/** The table: one, two and three lights, uncalibrated and after earlier readings, against the usual routine. */
export function popsToBalance(scenes: number, seed: number): PopCount[] {
  const rows: PopCount[] = [];
  for (const lights of [1, 2, 3]) {
    const random = seeded(seed + lights);
    const drawn: Scene[] = [];
    while (drawn.length < scenes) {
      const scene = makeScene(random, lights);
      if (scene !== null) drawn.push(scene);
    }
    const count = (how: string, pops: (scene: Scene) => number) => {
      const sorted = drawn.map(pops).sort((a, b) => a - b);
      rows.push({
        lights,
        how,
        median: sorted[Math.floor(scenes / 2)] ?? 0,
        mean: sorted.reduce((sum, one) => sum + one, 0) / scenes,
        ninth: sorted[Math.floor(scenes * 0.9)] ?? 0,
      });
    };
    count('usual routine', (scene) => popsByRoutine(scene, random));
    count('one pass of all points', (scene) => popsAllOn(scene, 'pass', 0, random));
    for (const earlier of [0, 5, 20])
      count(earlier === 0 ? 'all on, least known' : `all on, after ${earlier}`, (scene) =>
        popsAllOn(scene, 'least', earlier, random),
      );
    for (const earlier of [0, 5, 10, 20])
      count(earlier === 0 ? 'uncalibrated' : `after ${earlier} readings`, (scene) =>
        popsByApplication(scene, earlier, random),
      );
  }
  return rows;
}
