import { type Calibration, learn, type Observation, UNTAUGHT } from '../calibration';
import type { Kit } from '../gear';
import { measureFlash, outlierQuestion, standingReadings } from '../metering';
import type { Reading } from '../setup';
import { lightConfig, promisedAv } from './lightConfig';

/**
 * What all readings of one light teach about the kit, oldest first. A reading teaches when it measured one light where
 * it aims, at a known distance: then unit, modifier, grid and gels promise a figure, and what it missed by is learned.
 * @param readings of all setups  @param confirmed questions that were answered with: it is right
 */
export function teach(kit: Kit, readings: readonly Reading[], confirmed: ReadonlySet<string>): Calibration {
  const { forgotten } = kit.preferences;
  const standing = standingReadings(readings);
  const bySetup = new Map<string, Reading[]>();
  for (const reading of standing) bySetup.set(reading.setupId, [...(bySetup.get(reading.setupId) ?? []), reading]);
  return learn(
    UNTAUGHT,
    standing.flatMap((reading): Observation[] => {
      const [fired, ...others] = reading.fired;
      if (
        fired === undefined ||
        others.length > 0 ||
        !fired.atAim ||
        (reading.method.kind !== 'incident' && reading.method.kind !== 'disc')
      )
        return [];
      const config = lightConfig(kit, fired);
      const measured = measureFlash(bySetup.get(reading.setupId) ?? [], reading);
      if (config === null || !measured.ok) return [];
      if (
        config.things.some(({ id }) => {
          const until = forgotten[id];
          return until !== undefined && Date.parse(reading.at) <= Date.parse(until);
        })
      )
        return [];
      return [
        {
          readingId: reading.id,
          things: config.things,
          noiseStops: measured.value.uncertaintyStops,
          confirmed: confirmed.has(outlierQuestion(reading.id)),
          offsetStops:
            measured.value.flashAvAtBase - fired.powerStops - promisedAv(config, fired, fired.highSpeedSyncLossStops),
        },
      ];
    }),
  );
}
