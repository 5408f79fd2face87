import { expectedOffset } from '../calibration';
import { writePower } from '../flash';
import type { Kit } from '../gear';
import { lightConfig, promisedAv, sameSource, type UsableLight } from '../lights';
import { ambientReadings, flashReadingsOf, lightEv100, measureFlash, outlierQuestion } from '../metering';
import { distanceForChange } from '../modifiers';
import { remainingLight } from '../photometry';
import type { Reading, Setup } from '../setup';

/** A reading of a light that is not what was foretold: possible causes with their sizes, and the one reading that tells them apart. */
export interface Disagreement {
  lightId: string;
  readingId: string;
  /** read minus foretold, this light alone, stops */
  offStops: number;
  causes: DisagreementCause[];
  /** the point to be metered now with the flash off; null when it has been */
  tellApartPointId: string | null;
  /** what that reading showed; null before it */
  settled: 'ambient' | 'light' | null;
}

/** What would explain it, with its size. */
export type DisagreementCause =
  | { kind: 'ambient'; stops: number }
  | { kind: 'power'; reallyText: string; saidText: string }
  | { kind: 'distance'; reallyM: number; saidM: number };

/** Differences up to this are what meters and dials do, stops. */
const AGREES_STOPS = 0.2;
/** The ambient has moved when it changed by more than this, stops. */
const MOVED_STOPS = 0.1;
/** A foretelling that is no surer than this is a guess: the reading simply teaches. */
const GUESS_SD_STOPS = 0.3;

/** What one light's newest reading where it aims was foretold to be: by the reading before it, else by what readings have taught. */
function foretold(
  { light, config }: UsableLight,
  before: readonly Reading[],
  standing: readonly Reading[],
  kit: Kit,
  fired: Reading['fired'][number],
): { av: number; sdStops: number } | null {
  const promised = promisedAv(config, fired, fired.highSpeedSyncLossStops) + fired.powerStops;
  for (const reading of [...before].reverse()) {
    const [one] = reading.fired;
    const measured = measureFlash(standing, reading);
    const its = one === undefined ? null : lightConfig(kit, one);
    if (one === undefined || its === null || !measured.ok || !sameSource(one, light)) continue;
    return {
      av: promised + measured.value.flashAvAtBase - one.powerStops - promisedAv(its, one, one.highSpeedSyncLossStops),
      sdStops: measured.value.uncertaintyStops,
    };
  }
  // a reading has taught what it is held against: with few others that says little
  const { offsetStops, sdStops, readings } = expectedOffset(kit.calibration, config.things);
  return readings < 3 || sdStops > GUESS_SD_STOPS ? null : { av: promised + offsetStops, sdStops };
}

/** Readings of lights that miss what was foretold by over 0.2 stop. */
export function disagreements(
  setup: Setup,
  kit: Kit,
  standing: readonly Reading[],
  usable: readonly UsableLight[],
): Disagreement[] {
  // eslint-disable-next-line complexity -- each kind of reading that can disagree, in the order of trust
  return usable.flatMap((one): Disagreement[] => {
    const { light, config } = one;
    const flashes = flashReadingsOf(standing, light.aimPointId).filter(
      ({ fired: [fired, ...others] }) => fired !== undefined && others.length === 0 && sameSource(fired, light),
    );
    const reading = flashes.at(-1);
    const fired = reading?.fired[0];
    const measured = reading === undefined ? null : measureFlash(standing, reading);
    if (
      reading === undefined ||
      fired === undefined ||
      !measured?.ok ||
      setup.confirmed.includes(`disagrees:${reading.id}`) ||
      kit.calibration.outliers.some(
        ({ readingId }) => readingId === reading.id && !setup.confirmed.includes(outlierQuestion(reading.id)),
      )
    )
      return [];
    const expected = foretold(one, flashes.slice(0, -1), standing, kit, fired);
    if (expected === null) return [];
    const ambients = ambientReadings(standing, light.aimPointId).filter(({ method }) => method.kind !== 'disc');
    const at = Date.parse(reading.at);
    const [before, after] = [
      ambients.findLast((other) => Date.parse(other.at) <= at),
      ambients.find((other) => Date.parse(other.at) > at),
    ];
    // held against the ambient from before the test, so that a moved ambient shows
    const ambientAv = before === undefined ? null : lightEv100(before) - reading.tv;
    const flashAv =
      reading.light === 'flash' || ambientAv === null
        ? measured.value.flashAvAtBase
        : remainingLight(reading.av - reading.sv, ambientAv);
    const offStops = flashAv === undefined ? -Infinity : flashAv - expected.av;
    if (Math.abs(offStops) <= Math.max(AGREES_STOPS, 2 * expected.sdStops) || !Number.isFinite(offStops)) return [];

    const movedAv =
      reading.light === 'total' && ambientAv !== null
        ? remainingLight(reading.av - reading.sv, expected.av)
        : undefined;
    const byAmbient = movedAv === undefined || ambientAv === null ? null : movedAv - ambientAv;
    const reallyStops = Math.min(0, fired.powerStops + offStops);
    const reallyM = distanceForChange(config.modifier.shape, fired.distanceM, offStops, 0.1, 60);
    const settled =
      reading.light === 'flash'
        ? 'light'
        : after === undefined || ambientAv === null
          ? null
          : Math.abs(lightEv100(after) - reading.tv - ambientAv) > MOVED_STOPS
            ? 'ambient'
            : 'light';
    const causes: DisagreementCause[] = [
      ...(byAmbient === null ? [] : [{ kind: 'ambient' as const, stops: byAmbient }]),
      {
        kind: 'power',
        reallyText: writePower(config.unit.scale, reallyStops),
        saidText: writePower(config.unit.scale, fired.powerStops),
      },
      ...(reallyM === undefined ? [] : [{ kind: 'distance' as const, reallyM, saidM: fired.distanceM }]),
    ];
    return [
      {
        lightId: light.id,
        readingId: reading.id,
        offStops,
        settled,
        causes:
          settled === null ? causes : causes.filter(({ kind }) => (kind === 'ambient') === (settled === 'ambient')),
        tellApartPointId: settled === null ? light.aimPointId : null,
      },
    ];
  });
}
