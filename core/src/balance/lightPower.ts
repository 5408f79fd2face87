import { type FlashUnit, type FlashGeometry, flashAv, flashPowerStops, highSpeedSyncLossStops, lowestPowerStops, powerStepStops, snapPower, unitGuideNumberM, unitUncertaintyStops, writePower } from '../flash';
import { BARE_REFLECTOR, MODIFIER_UNCERTAINTY_STOPS, type Modifier, apparentSizeDeg, effectiveDistanceM } from '../modifiers';
import { type Increment, addLight, formatAperture, remainingLight, shareFromFlashMinusAmbient } from '../photometry';
import type { CameraSolution } from './cameraSettings';
import { type FlashMeasurement, READING_NOISE_STOPS } from './levels';
import type { Light } from './setup';

/** A level at the face with its range of one standard deviation, in stops against the final exposure. */
export interface Range {
  low: number;
  high: number;
}

/** What one light must do, in its own scale, and what the meter then shows. */
export interface LightSolution {
  lightId: string;
  unitName: string;
  modifierName: string;
  /** where the number comes from: distances and guide number, or a reading of this light */
  basis: 'geometry' | 'reading';
  uncertaintyStops: number;
  /** flash alone at the face against the final exposure, at the power given; null when no flash can help */
  flashStops: number | null;
  flashRangeStops: Range | null;
  totalStops: number;
  totalRangeStops: Range;
  /** 0 to 1 */
  flashShare: number;
  /** exact power wanted, stops below full; null when no flash can help */
  exactPowerStops: number | null;
  /** the nearest setting of the unit, stops below full */
  powerStops: number | null;
  powerText: string | null;
  /** what a meter held at the camera's shutter and ISO reads at the face */
  meter: { totalAv: number; flashAv: number; totalText: string; flashText: string; rangeText: string } | null;
  outOfRange: { direction: 'too weak' | 'too strong'; byStops: number; limitText: string } | null;
  /** stops left to full power */
  headroomStops: number | null;
  softnessDeg: number;
  /** how to get from the last test to the look; null before a test */
  correction: { firedPowerStops: number; firedPowerText: string; changeStops: number; measuredFlashAv: number; measuredFlashText: string; measuredTotalStops: number } | null;
  /** why the newest flash reading could not be used; null when it could, or when there is none */
  problem: string | null;
}

/** The last test of a light: what it measured, or why it could not be used. */
export interface LightTest {
  measurement: FlashMeasurement | null;
  problem: string | null;
}

const geometryOf = (unit: FlashUnit, modifier: Modifier, distanceM: number, extraLossStops: number): FlashGeometry => ({
  guideNumberM: unitGuideNumberM(unit),
  effectiveDistanceM: effectiveDistanceM(modifier.shape, distanceM),
  lossStops: modifier.lossStops + extraLossStops,
});

/** What high-speed sync costs this unit at these camera settings, in stops. */
export const syncLossStops = (unit: FlashUnit, camera: CameraSolution): number =>
  highSpeedSyncLossStops(unit.highSpeedSyncLossStops ?? 0, camera.beyondSyncStops);

/** A doubt in the distance model that grows with how far the light has been moved since it was read. */
const MOVED_UNCERTAINTY_PER_DOUBLING = 0.15;

/**
 * Power of one light for a final exposure of 0 on the face.
 * The flash wanted is `log2(2^0 − 2^A)` over the ambient placement A; the power follows from the guide number, or, once a
 * reading of this light exists, from that reading: prediction moves by what the reading differed from it.
 */
export function solveLight(light: Light, unit: FlashUnit, modifierOrNone: Modifier | null, camera: CameraSolution, ambientStops: number, test: LightTest, meterIncrement: Increment): LightSolution {
  const modifier = modifierOrNone ?? BARE_REFLECTOR;
  const modifierUncertainty = modifierOrNone === null ? 0 : MODIFIER_UNCERTAINTY_STOPS;
  const geometry = geometryOf(unit, modifier, light.distanceM, syncLossStops(unit, camera));
  const { measurement } = test;

  let offsetStops = 0;
  let uncertaintyStops = Math.hypot(unitUncertaintyStops(unit), modifierUncertainty);
  if (measurement !== null) {
    const { fired } = measurement;
    const firedGeometry = geometryOf(unit, modifier, fired.distanceM, fired.highSpeedSyncLossStops);
    offsetStops = measurement.flashAvAtBase - flashAv(firedGeometry, fired.powerStops, 0);
    const movedStops = Math.abs(Math.log2(light.distanceM / fired.distanceM)) * MOVED_UNCERTAINTY_PER_DOUBLING;
    uncertaintyStops = Math.hypot(Math.max(READING_NOISE_STOPS, measurement.uncertaintyStops), movedStops);
  }

  // mid grey at the camera, as an aperture value at ISO 100 (filters take from flash as from ambient)
  const finalAvAtBase = camera.av + camera.ndStops - camera.sv;
  const wantedStops = remainingLight(0, ambientStops);
  const exactPowerStops = wantedStops === undefined ? null : flashPowerStops(geometry, finalAvAtBase + wantedStops, 0) - offsetStops;
  const powerStops = exactPowerStops === null ? null : snapPower(unit.scale, exactPowerStops);
  const flashStops = wantedStops === undefined || exactPowerStops === null || powerStops === null ? null : wantedStops + powerStops - exactPowerStops;
  const totalOf = (flash: number | null) => (flash === null ? ambientStops : addLight(ambientStops, flash));
  const shifted = (by: number) => (flashStops === null ? null : flashStops + by);
  const totalRangeStops = { low: totalOf(shifted(-uncertaintyStops)), high: totalOf(shifted(uncertaintyStops)) };
  const meterAv = (stops: number) => camera.av + camera.ndStops + stops;
  const totalStops = totalOf(flashStops);

  return {
    lightId: light.id,
    unitName: unit.name,
    modifierName: modifier.name,
    basis: measurement === null ? 'geometry' : 'reading',
    uncertaintyStops,
    flashStops,
    flashRangeStops: flashStops === null ? null : { low: flashStops - uncertaintyStops, high: flashStops + uncertaintyStops },
    totalStops,
    totalRangeStops,
    flashShare: flashStops === null ? 0 : shareFromFlashMinusAmbient(flashStops - ambientStops),
    exactPowerStops,
    powerStops,
    powerText: powerStops === null ? null : writePower(unit.scale, powerStops),
    meter: flashStops === null ? null : {
      totalAv: meterAv(totalStops),
      flashAv: meterAv(flashStops),
      totalText: formatAperture(meterAv(totalStops), meterIncrement),
      flashText: formatAperture(meterAv(flashStops), meterIncrement),
      rangeText: `${formatAperture(meterAv(totalRangeStops.low), meterIncrement)} to ${formatAperture(meterAv(totalRangeStops.high), meterIncrement)}`,
    },
    outOfRange: exactPowerStops === null ? null : rangeMiss(unit, exactPowerStops),
    headroomStops: powerStops === null ? null : -powerStops + 0,
    softnessDeg: apparentSizeDeg(modifier.shape, light.distanceM),
    correction: measurement === null || powerStops === null ? null : {
      firedPowerStops: measurement.fired.powerStops,
      firedPowerText: writePower(unit.scale, measurement.fired.powerStops),
      changeStops: powerStops - measurement.fired.powerStops,
      measuredFlashAv: measurement.flashAvAtBase + camera.sv,
      measuredFlashText: formatAperture(measurement.flashAvAtBase + camera.sv, meterIncrement),
      measuredTotalStops: addLight(ambientStops, measurement.flashAvAtBase - finalAvAtBase),
    },
    problem: test.problem,
  };
}

function rangeMiss({ scale }: FlashUnit, exactPowerStops: number): LightSolution['outOfRange'] {
  const halfStep = powerStepStops(scale) / 2 + 1e-9;
  const lowest = lowestPowerStops(scale);
  if (exactPowerStops > halfStep) return { direction: 'too weak', byStops: exactPowerStops, limitText: writePower(scale, 0) };
  if (exactPowerStops < lowest - halfStep) return { direction: 'too strong', byStops: lowest - exactPowerStops, limitText: writePower(scale, lowest) };
  return null;
}
