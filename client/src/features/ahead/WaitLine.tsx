import { texts } from './texts';
import { words } from '@/language/words';
import { useSetup } from '@/setupView/setupContext';
import { clockAt } from '@/shell/localDay';
import { Txt } from '@/ui/Txt';

import { waitUntil } from '@sphene/core/forecast';
import { useForecast } from './useForecast';

/** Changes of another point under this are not spoken of, stops. */
const SPOKEN_STOPS = 0.15;

/** When the light on the face will have changed by so many stops, and what everything else does by then. */
export function WaitLine({ byStops }: { byStops: number }) {
  const { setup } = useSetup();
  const { forecast, timeZone } = useForecast();
  const face = setup.points.find(({ role }) => role === 'face');
  if (forecast === null || face === undefined) return null;
  const found = waitUntil(forecast, face.id, byStops);
  if (found === null)
    return (
      <Txt size="label" tone="quiet">
        {texts.notWithinTheHour}
      </Txt>
    );
  const timeOf = (minute: number | null) => {
    const atMs = minute === null ? undefined : forecast.minutes[minute]?.atMs;
    return atMs === undefined ? null : clockAt(atMs, timeZone);
  };
  const latest = timeOf(found.latestMinute);
  const others = found.others
    .filter((one) => Math.abs(one.byStops) > SPOKEN_STOPS)
    .map((one) => {
      const name = setup.points.find(({ id }) => id === one.pointId)?.name ?? '';
      return texts.otherThen(name.toLowerCase(), words.stops(one.byStops));
    });
  return (
    <Txt size="label" bold>
      {texts.aboutAt(clockAt(found.atMs, timeZone), timeOf(found.soonestMinute) ?? '', latest ?? texts.overAnHour)}
      {others.length === 0 ? '' : ` ${texts.byThen(others.join(', '))}`}
    </Txt>
  );
}
