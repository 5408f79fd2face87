import { blockedStops, panelFlat, thrownShare } from '../ambient';
import { expectedOffset } from '../calibration';
import type { Kit } from '../gear';
import {
  type FlashFault,
  type FlashMeasurement,
  flashReadingsOf,
  measureFlash,
  outlierQuestion,
  pointPlace,
  READING_NOISE_STOPS,
} from '../metering';
import { addLight } from '../photometry';
import { lightPlace, type LitPlace, minus, type Place, turned } from '../scene';
import type { Light, MeteringPoint, Reading, Setup } from '../setup';
import { type LightConfig, lightConfig, promisedAv, sameSource } from './lightConfig';
import { spillStops } from './spill';

/** What one light gives at one point. */
export interface Reach {
  /** aperture value of this light alone at full power and ISO 100 */
  avAtFull: number;
  /** one standard deviation, stops */
  uncertaintyStops: number;
  /** where it comes from: stated values and distances, what earlier readings taught, or a reading of this light here */
  basis: 'geometry' | 'calibration' | 'reading';
  /** how many readings have taught it */
  readings: number;
  /** the newest reading of it here that could be used, and why a newer one could not */
  measurement: FlashMeasurement | null;
  problem: FlashFault | null;
}

/** Moving the light after a reading leaves this much doubt per doubling of the distance, stops. */
const MOVED_UNCERTAINTY_PER_DOUBLING = 0.2;
/** Bodies in the way and turned domes: what comes from geometry beside the aim is rough, stops. */
const SPILL_UNCERTAINTY_STOPS = 0.7;
const GEL_UNCERTAINTY_STOPS = 0.05;

/** What was measured of a light at a point, as far as it is a fact about the light as it is made now. */
function testOf(
  { standing, kit, setup }: ReachFacts,
  pointId: string,
  light: Light,
): { measurement: FlashMeasurement | null; problem: FlashFault | null } {
  const questioned = new Set(
    kit.calibration.outliers
      .map(({ readingId }) => readingId)
      .filter((id) => !setup.confirmed.includes(outlierQuestion(id))),
  );
  const flashes = flashReadingsOf(standing, pointId).filter(
    ({ id, fired: [one, ...others] }) =>
      one !== undefined && others.length === 0 && sameSource(one, light) && !questioned.has(id),
  );
  const newest = flashes.at(-1);
  if (newest === undefined) return { measurement: null, problem: null };
  const measured = measureFlash(standing, newest);
  if (measured.ok) return { measurement: measured.value, problem: null };
  // An unusable reading does not unmake an older one that was good.
  const older = flashes.map((reading) => measureFlash(standing, reading)).findLast((outcome) => outcome.ok);
  return { measurement: older?.ok ? older.value : null, problem: measured.reason };
}

export interface ReachFacts {
  setup: Setup;
  kit: Kit;
  standing: readonly Reading[];
}

/**
 * What a light gives where it aims: from its reading there, else from what readings have taught, else from its
 * stated values.
 */
function reachAtAim(light: Light, config: LightConfig, syncLossStops: number, facts: ReachFacts): Reach {
  const { kit, setup } = facts;
  const promised = promisedAv(config, light, syncLossStops);
  const { measurement, problem } = testOf(facts, light.aimPointId, light);
  const firedConfig = measurement === null ? null : lightConfig(kit, measurement.fired);
  if (measurement !== null && firedConfig !== null) {
    const { fired } = measurement;
    const movedStops = Math.abs(Math.log2(light.distanceM / fired.distanceM)) * MOVED_UNCERTAINTY_PER_DOUBLING;
    const gelStops = fired.gelIds.join() === light.gelIds.join() ? 0 : GEL_UNCERTAINTY_STOPS;
    return {
      avAtFull:
        promised +
        measurement.flashAvAtBase -
        fired.powerStops -
        promisedAv(firedConfig, fired, fired.highSpeedSyncLossStops),
      uncertaintyStops: Math.hypot(Math.max(READING_NOISE_STOPS, measurement.uncertaintyStops), movedStops, gelStops),
      basis: 'reading',
      readings: 1,
      measurement,
      problem,
    };
  }
  const { offsetStops, sdStops, readings } = expectedOffset(kit.calibration, config.things);
  const aimed = setup.points.find(({ id }) => id === light.aimPointId);
  const aim = aimed === undefined ? null : pointPlace(aimed, setup);
  const blocked = aim === null ? 0 : blockedStops(setup, kit, lightPlace(aim.at, light), aim.at);
  return {
    avAtFull: promised + offsetStops - blocked,
    uncertaintyStops: sdStops,
    basis: readings > 0 ? 'calibration' : 'geometry',
    readings,
    measurement: null,
    problem,
  };
}

/**
 * What a light gives at a place against its aim: straight, past flags and diffusers, and thrown by reflectors;
 * null for as good as nothing.
 */
function arrivingStops(
  light: Light,
  config: LightConfig,
  aim: LitPlace,
  other: LitPlace,
  { setup, kit }: ReachFacts,
): number | null {
  const {
    modifier: { shape },
    beam,
  } = config;
  const from = lightPlace(aim.at, light);
  const axis = lightAxis(from, aim.at, light.featherDeg);
  const straight = spillStops(from, aim, other, shape, beam, axis);
  const ways = straight === null ? [] : [straight - blockedStops(setup, kit, from, other.at)];
  for (const panel of setup.panels) {
    const flat = panelFlat(panel, kit);
    const share = thrownShare({ panel, flat }, minus(from, flat.at), other);
    const onIt =
      share <= 0 ? null : spillStops(from, aim, { at: flat.at, faces: minus(from, flat.at) }, shape, beam, axis);
    if (onIt !== null) ways.push(onIt + Math.log2(share));
  }
  return ways.length === 0 ? null : addLight(...ways);
}

/** Where a light points: at its aim, turned past it by its feathering. */
export const lightAxis = (from: Place, aim: Place, featherDeg: number): Place => turned(minus(aim, from), featherDeg);

/**
 * What a light gives at a point; null where nothing says it. Beside its aim a reading counts as long as the light
 * stands as it did; without one, the positions give an estimate where they are known.
 */
export function reachAt(
  point: MeteringPoint,
  light: Light,
  config: LightConfig,
  syncLossStops: number,
  facts: ReachFacts,
): Reach | null {
  const { setup } = facts;
  const atAim = reachAtAim(light, config, syncLossStops, facts);
  if (point.id === light.aimPointId) return atAim;
  const { measurement, problem } = testOf(facts, point.id, light);
  if (
    measurement !== null &&
    measurement.fired.distanceM === light.distanceM &&
    measurement.fired.gelIds.join() === light.gelIds.join()
  ) {
    const { fired, flashAvAtBase, uncertaintyStops } = measurement;
    return {
      avAtFull: flashAvAtBase - fired.powerStops + fired.highSpeedSyncLossStops - syncLossStops,
      uncertaintyStops,
      basis: 'reading',
      readings: 1,
      measurement,
      problem,
    };
  }
  const aimed = setup.points.find(({ id }) => id === light.aimPointId);
  const [aim, other] = [aimed === undefined ? null : pointPlace(aimed, setup), pointPlace(point, setup)];
  const spill = aim === null || other === null ? null : arrivingStops(light, config, aim, other, facts);
  return spill === null
    ? null
    : {
        ...atAim,
        avAtFull: atAim.avAtFull + spill,
        uncertaintyStops: Math.hypot(atAim.uncertaintyStops, SPILL_UNCERTAINTY_STOPS),
        basis: atAim.basis === 'reading' ? 'calibration' : atAim.basis,
        measurement: null,
        problem: null,
      };
}
