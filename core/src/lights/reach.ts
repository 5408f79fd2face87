import type { Kit } from '../gear';
import { type LightConfig, sameSource } from '../gain';
import { type FlashFault, flashReadingsOf, type MeteredScene } from '../metering';
import type { FiredLight, Light, MeteringPoint, Reading, Setup } from '../setup';

/** What one light gives at one point. */
export interface Reach {
  /** aperture value of this light alone at full power and ISO 100 */
  avAtFull: number;
  /** what its stated figures alone would promise there */
  statedAv: number;
  /** one standard deviation, stops */
  uncertaintyStops: number;
  /** where it comes from: stated values and places, what earlier readings taught, or a reading of this light here */
  basis: 'geometry' | 'calibration' | 'reading';
  /** how many readings have taught it */
  readings: number;
  /** the newest reading of it alone here that could be used, and why a newer one could not */
  measurement: FlashMeasurement | null;
  problem: FlashFault | null;
}

/** A light alone in a reading, as the estimate takes it out of that. */
export interface FlashMeasurement {
  reading: Reading;
  fired: FiredLight;
  /** aperture value of the flash alone at ISO 100 */
  flashAvAtBase: number;
}

/** What was measured of a light alone at a point, as it is made now. */
function testOf(
  { standing, light: estimate }: MeteredScene,
  pointId: string,
  light: Light,
): Pick<Reach, 'measurement' | 'problem'> {
  const flashes = flashReadingsOf(standing, pointId).filter(
    ({ fired: [one, ...others] }) => one !== undefined && others.length === 0 && sameSource(one, light),
  );
  const newest = flashes.at(-1);
  // an unusable reading does not unmake an older one that was good
  const usable = flashes.findLast(({ id }) => !estimate.faults.has(id));
  const fired = usable?.fired[0];
  const measured = usable === undefined || fired === undefined ? null : estimate.firedAt(usable, fired.lightId);
  return {
    measurement:
      usable === undefined || fired === undefined || measured === null
        ? null
        : { reading: usable, fired, flashAvAtBase: measured.av.stops },
    problem: newest === undefined ? null : (estimate.faults.get(newest.id) ?? null),
  };
}

/** How often the parts of a light were taught, at least: by readings of other setups. */
function taughtOf({ calibration }: Kit, { things }: LightConfig): number {
  const counts = things.map(({ id }) => calibration.readings[calibration.ids.indexOf(id)] ?? 0);
  return counts.length === 0 ? 0 : Math.min(...counts);
}

/**
 * What a light gives at a point, by the estimate; null where it gives as good as nothing. A reading of it counts there as
 * long as it stands as it did; where it aims it is carried to wherever the light is moved.
 */
export function reachAt(
  point: MeteringPoint,
  light: Light,
  config: LightConfig,
  syncLossStops: number,
  scene: MeteredScene,
  setup: Setup,
  kit: Kit,
): Reach | null {
  const there = scene.light.lightAt(setup, light, point, syncLossStops);
  if (there === null) return null;
  const { measurement, problem } = testOf(scene, point.id, light);
  const aimed = point.id === light.aimPointId;
  const asMeasured = measurement !== null && (aimed || measurement.fired.distanceM === light.distanceM);
  const readings = asMeasured ? 1 : taughtOf(kit, config);
  return {
    avAtFull: there.avAtFull,
    statedAv: there.statedAv,
    uncertaintyStops: there.sdStops,
    basis: asMeasured ? 'reading' : readings > 0 ? 'calibration' : 'geometry',
    readings,
    measurement: asMeasured ? measurement : null,
    problem,
  };
}
