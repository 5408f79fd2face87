import type { CameraSolution } from '../exposure';
import {
  type FlashUnit,
  highSpeedSyncLossStops,
  lowestPowerStops,
  passedPowerStops,
  popsPerCharge,
  powerStepStops,
  recycleS,
  snapPower,
  unitGuideNumberM,
  writePower,
} from '../flash';
import type { FlashFault, Known } from '../metering';
import { apparentSizeDeg, effectiveDistanceM } from '../modifiers';
import { formatAperture } from '../notation';
import { addLight, avFromN, type Increment, remainingLight, secondsFromTv, stepsToStops } from '../photometry';
import type { Light, LightRole, MeteringPoint } from '../setup';
import type { Reach } from './reach';
import type { UsableLight } from './usable';

/** A level with its range of one standard deviation, in stops against the final exposure. */
export interface Range {
  low: number;
  high: number;
}

/** What one step of the dial does where the light aims, before it is tapped. */
export interface StepEffect {
  powerText: string;
  powerStops: number;
  /** change of the total there, stops */
  totalStops: number;
  /** the light's share of it then, 0 to 1 */
  share: number;
}

/** What one light must do, in its own scale, and what the meter then shows. */
export interface LightSolution {
  lightId: string;
  /** its place in the setup's list */
  index: number;
  role: LightRole;
  group: Light['group'];
  aimPointId: string;
  aimName: string;
  unitName: string;
  /** what is in front of it; null: its own reflector */
  modifierName: string | null;
  /** grid and gels, by name */
  added: string[];
  /** where the number comes from: distances and guide number, what earlier readings taught, or a reading of this light */
  basis: Reach['basis'];
  known: Known;
  /** how far it stands, and whether a person has said so; else that is assumed */
  distanceM: number;
  placeSaid: boolean;
  /** how many readings have taught it */
  taughtBy: number;
  uncertaintyStops: number;
  /** what its point should come to, and which part of that the other lights give already; stops against mid grey */
  targetStops: number;
  othersStops: number | null;
  /** this light alone where it aims, at the power given; null when no flash can help */
  flashStops: number | null;
  flashRangeStops: Range | null;
  /** everything together where it aims */
  totalStops: number;
  /** this light's part of it, 0 to 1 */
  flashShare: number;
  /** exact power wanted, stops below full; null when no flash can help */
  exactPowerStops: number | null;
  /** the setting of the unit, stops below full */
  powerStops: number | null;
  powerText: string | null;
  /** what a meter held at the camera's shutter and ISO reads where it aims, this light fired alone */
  meter: {
    totalAv: number;
    flashAv: number;
    totalText: string;
    flashText: string;
    rangeTexts: [low: string, high: string];
  } | null;
  outOfRange: { direction: 'too-weak' | 'too-strong'; byStops: number; limitText: string } | null;
  /** stops left to the strongest power that the shutter lets through */
  headroomStops: number | null;
  /** how far that falls short of the reserve that was asked for; 0 when it is there */
  reserveMissingStops: number;
  /** one step of the dial down and up */
  steps: { down: StepEffect | null; up: StepEffect | null };
  /** what high-speed sync costs at these camera settings */
  syncLossStops: number;
  /** the end of the discharge that the shutter cuts off at the power given; 0 where t0.1 is not known */
  tailLossStops: number;
  /** seconds until the unit is ready again, and flashes in a charge at this power; null where it is not known */
  recycleS: number | null;
  pops: number | null;
  softnessDeg: number;
  /** how to get from the last test to the look; null before a test */
  correction: {
    firedPowerStops: number;
    firedPowerText: string;
    changeStops: number;
    measuredFlashAv: number;
    measuredFlashText: string;
    measuredTotalStops: number;
  } | null;
  /** what the exact power is made of, in stops; null when no flash can help */
  parts: {
    finalAvAtBase: number;
    wantedFlashStops: number;
    guideNumberAv: number;
    distanceStops: number;
    modifierLossStops: number;
    otherLossStops: number;
    /** what turning away from it, feathering, flags and reflectors take or add */
    asideStops: number;
    learnedStops: number;
  } | null;
  /** why the newest flash reading could not be used; null when it could, or when there is none */
  problem: FlashFault | null;
}

/** What high-speed sync costs a unit at these camera settings, in stops. */
export const syncLossStopsOf = (unit: FlashUnit, camera: CameraSolution): number =>
  highSpeedSyncLossStops(unit.highSpeedSyncLossStops ?? 0, camera.highSpeedSync ? camera.beyondSyncStops : 0);

/** The strongest power whose light the shutter lets through whole; pulsing light has no tail to cut. */
export const strongestStopsOf = (unit: FlashUnit, camera: CameraSolution, syncDelayS: number): number =>
  camera.highSpeedSync ? 0 : passedPowerStops(Math.max(1e-5, secondsFromTv(camera.tv) - syncDelayS), unit.t01FullS);

/** Mid grey at the camera, as an aperture value at ISO 100: filters take from flash as from ambient. */
export const finalAvAtBaseOf = ({ av, ndStops, sv }: CameraSolution): number => av + ndStops - sv;

export interface LightPlace {
  aim: MeteringPoint;
  /** ambient there, stops against mid grey; null where it was not metered: then it is left out */
  ambientStops: number | null;
  /** the other lights there at their powers, together; null for none */
  othersStops: number | null;
  targetStops: number;
}

export interface LightContext {
  camera: CameraSolution;
  meterIncrement: Increment;
  syncDelayS: number;
  reserveStops: number;
  /** the power that was chosen for all lights together; null: this light alone decides */
  chosenStops: number | null;
}

const sum = (a: number | null, b: number | null): number | null => (a === null ? b : b === null ? a : addLight(a, b));

/**
 * The power that brings a light's point to its target, and what a meter shows for it. After a test that measured this
 * light the reading takes the place of the guide number: what was found there is carried over to another distance or
 * power by the same formulas.
 */
// eslint-disable-next-line complexity, max-lines-per-function -- one light, from distance to power, told once
export function solveLight(
  { index, light, config }: UsableLight,
  reach: Reach,
  { aim, ambientStops, othersStops, targetStops }: LightPlace,
  { camera, meterIncrement, syncDelayS, reserveStops, chosenStops }: LightContext,
): LightSolution {
  const { unit, modifier } = config;
  const syncLossStops = syncLossStopsOf(unit, camera);
  const strongestStops = strongestStopsOf(unit, camera, syncDelayS);
  const finalAvAtBase = finalAvAtBaseOf(camera);
  const gainStops = reach.avAtFull - finalAvAtBase;
  const before = sum(ambientStops, othersStops);
  const wantedStops = before === null ? targetStops : missingLight(targetStops, before);
  const exactPowerStops = wantedStops === undefined ? null : wantedStops - gainStops;
  // chosen together with the others it may go on even where they alone would do
  const lightAt = (power: number) => gainStops + Math.min(power, strongestStops);
  const missAt = (power: number) => Math.abs((sum(before, lightAt(power)) ?? 0) - targetStops);
  const { uncertaintyStops, measurement } = reach;
  const nearest = exactPowerStops === null ? null : nearestPower(unit, exactPowerStops, missAt);
  const firedStops = measurement?.fired.powerStops ?? null;
  // a change that is seen by nobody is not worth a walk to the stand
  const isGood = firedStops !== null && nearest !== null && missAt(firedStops) <= UNSEEN_STOPS;
  const powerStops = chosenStops ?? (isGood ? firedStops : nearest);
  const tailLossStops = powerStops === null ? 0 : Math.max(0, powerStops - strongestStops);
  const flashStops = powerStops === null ? null : lightAt(powerStops);
  const totalStops = sum(before, flashStops) ?? targetStops;
  const distanceStops = 2 * Math.log2(effectiveDistanceM(modifier.shape, light.distanceM));
  const straightOn = avFromN(unitGuideNumberM(unit)) - distanceStops - config.lossStops - syncLossStops;
  const alone = (flash: number) => sum(ambientStops, flash) ?? flash;
  const meterText = (stops: number) => formatAperture(camera.av + camera.ndStops + stops, meterIncrement);
  const shareOf = (flash: number, total: number) => 2 ** (flash - total);

  const stepTo = (count: number): StepEffect | null => {
    if (powerStops === null || flashStops === null) return null;
    const next = snapPower(unit.scale, powerStops + stepsToStops(count, powerStepStops(unit.scale)));
    if (Math.abs(next - powerStops) < 1e-9) return null;
    const then = lightAt(next);
    const total = sum(before, then) ?? then;
    return {
      powerText: writePower(unit.scale, next),
      powerStops: next,
      totalStops: total - totalStops,
      share: shareOf(then, total),
    };
  };
  const headroomStops = powerStops === null ? null : Math.max(0, strongestStops - powerStops);
  const outOfRange = exactPowerStops === null ? null : rangeMiss(unit, exactPowerStops, strongestStops);
  return {
    lightId: light.id,
    index,
    role: light.role,
    group: light.group,
    aimPointId: aim.id,
    aimName: aim.name,
    unitName: unit.name,
    modifierName: modifier.name,
    added: [config.grid?.name, ...config.gels.map(({ name }) => name)].filter((name) => name !== undefined),
    basis: reach.basis,
    known: reach.basis === 'reading' ? 'read' : light.placeSaid ? 'foretold' : 'assumed',
    distanceM: light.distanceM,
    placeSaid: light.placeSaid,
    taughtBy: reach.readings,
    uncertaintyStops,
    targetStops,
    othersStops,
    flashStops,
    flashRangeStops:
      flashStops === null ? null : { low: flashStops - uncertaintyStops, high: flashStops + uncertaintyStops },
    totalStops,
    flashShare: flashStops === null ? 0 : shareOf(flashStops, totalStops),
    exactPowerStops,
    powerStops,
    powerText: powerStops === null ? null : writePower(unit.scale, powerStops),
    meter:
      flashStops === null
        ? null
        : {
            totalAv: camera.av + camera.ndStops + alone(flashStops),
            flashAv: camera.av + camera.ndStops + flashStops,
            totalText: meterText(alone(flashStops)),
            flashText: meterText(flashStops),
            rangeTexts: [
              meterText(alone(flashStops - uncertaintyStops)),
              meterText(alone(flashStops + uncertaintyStops)),
            ],
          },
    outOfRange,
    headroomStops,
    reserveMissingStops: headroomStops === null || outOfRange !== null ? 0 : Math.max(0, reserveStops - headroomStops),
    steps: { down: stepTo(-1), up: stepTo(1) },
    syncLossStops,
    tailLossStops,
    recycleS: powerStops === null ? null : recycleS(unit, powerStops),
    pops: powerStops === null ? null : popsPerCharge(unit, powerStops),
    softnessDeg: apparentSizeDeg(modifier.shape, light.distanceM),
    correction:
      measurement === null || powerStops === null
        ? null
        : {
            firedPowerStops: measurement.fired.powerStops,
            firedPowerText: writePower(unit.scale, measurement.fired.powerStops),
            changeStops: powerStops - measurement.fired.powerStops,
            measuredFlashAv: measurement.flashAvAtBase + camera.sv,
            measuredFlashText: formatAperture(measurement.flashAvAtBase + camera.sv, meterIncrement),
            measuredTotalStops: alone(measurement.flashAvAtBase - finalAvAtBase),
          },
    parts:
      wantedStops === undefined
        ? null
        : {
            finalAvAtBase,
            wantedFlashStops: wantedStops,
            guideNumberAv: avFromN(unitGuideNumberM(unit)),
            distanceStops,
            modifierLossStops: modifier.lossStops,
            otherLossStops: config.lossStops - modifier.lossStops,
            asideStops: reach.statedAv - straightOn,
            learnedStops: reach.avAtFull - reach.statedAv,
          },
    problem: reach.problem,
  };
}

/** A total that is off by no more is seen by nobody, stops. */
const UNSEEN_STOPS = 1 / 8;

/** Light that is there to the last bit of rounding leaves no flash to fire, stops. */
const ROUNDING_STOPS = 1e-6;
const missingLight = (targetStops: number, thereStops: number): number | undefined =>
  thereStops > targetStops - ROUNDING_STOPS ? undefined : remainingLight(targetStops, thereStops);

/** The setting next to an exact power whose total lies nearest to what is wanted: that is what is seen; of two alike the weaker. */
function nearestPower({ scale }: FlashUnit, exactStops: number, missAt: (power: number) => number): number {
  const step = powerStepStops(scale);
  const settings = [-1, 0, 1].map((count) => snapPower(scale, exactStops + stepsToStops(count, step)));
  return settings.reduce((best, power) => (missAt(power) < missAt(best) - 1e-9 ? power : best));
}

function rangeMiss({ scale }: FlashUnit, exactPowerStops: number, strongestStops: number): LightSolution['outOfRange'] {
  const halfStep = powerStepStops(scale) / 2 + 1e-9;
  const lowest = lowestPowerStops(scale);
  if (exactPowerStops > strongestStops + halfStep)
    return { direction: 'too-weak', byStops: exactPowerStops - strongestStops, limitText: writePower(scale, 0) };
  if (exactPowerStops < lowest - halfStep)
    return { direction: 'too-strong', byStops: lowest - exactPowerStops, limitText: writePower(scale, lowest) };
  return null;
}
