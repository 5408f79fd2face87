import { texts } from './texts';
import { words } from '@/language/words';
import { useKit, useSetup } from '@/setupView/setupContext';
import { clockAt, momentAt } from '@/shell/localDay';
import { useActions } from '@/store/application';
import { Disclosure } from '@/ui/Disclosure';
import { NumberDial, StopsDial } from '@/ui/dials';
import { ToggleList } from '@/ui/ToggleList';
import { Heading, Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useMemo } from 'react';
import { View } from 'react-native';

import type { Forecast, ForecastMinute } from '@sphene/core/forecast';
import { formatStopCount } from '@sphene/core/notation';
import type { Setup } from '@sphene/core/setup';
import { AheadChart } from './AheadChart';
import { dueLine, nameOf } from './dueLine';
import { EarlierVisit } from './EarlierVisit';
import { EdgesSoon, TakeTheSun } from './SpotAhead';
import { useDueNotice } from './useDueNotice';
import { useForecast } from './useForecast';

/** Minutes that the table has a row for. */
const ROWS = [0, 5, 10, 15, 20, 30, 45, 60];

interface Told {
  forecast: Forecast;
  setup: Setup;
  timeZone: string;
}

/** A row of figures under each other. */
function Row({ cells, heading = false }: { cells: readonly string[]; heading?: boolean }) {
  const palette = usePalette();
  return (
    <View
      role="row"
      style={{ flexDirection: 'row', gap: 8, minHeight: 28, borderBottomWidth: 1, borderBottomColor: palette.line }}
    >
      {cells.map((cell, index) => (
        <View
          key={index}
          role={heading ? 'columnheader' : 'cell'}
          style={{ flex: index === 0 ? 0.7 : 1, justifyContent: 'center' }}
        >
          <Txt size="label" bold={heading || index === 0}>
            {cell}
          </Txt>
        </View>
      ))}
    </View>
  );
}

/** The same as the chart in figures. */
function AheadTable({ forecast, setup, timeZone }: Told) {
  const rows = forecast.minutes.filter(({ minute }) => ROWS.includes(minute));
  const [first] = rows;
  const hasFlash = first?.flashShare != null;
  const cells = ({ atMs, levels, flashShare }: ForecastMinute) => [
    clockAt(atMs, timeZone),
    ...levels.map(({ ev100, sdStops }) => texts.level(ev100.toFixed(1), sdStops.toFixed(1))),
    ...(hasFlash ? [flashShare === null ? '' : texts.percent(String(Math.round(flashShare * 100)))] : []),
  ];
  return (
    <View role="table" aria-label={texts.tableOf}>
      <Row
        heading
        cells={[
          texts.time,
          ...(first?.levels ?? []).map(({ pointId }) => nameOf(setup, pointId)),
          ...(hasFlash ? [texts.flash] : []),
        ]}
      />
      {rows.map((row) => (
        <Row key={row.minute} cells={cells(row)} />
      ))}
    </View>
  );
}

/** What to move and when, with the flash left alone as long as that goes. */
function WhatHoldsIt({ forecast, timeZone }: Told) {
  const { context } = useSetup();
  const { bounds } = useKit().preferences;
  const { minutes } = forecast;
  const following = useMemo(() => forecast.follow(), [forecast]);
  if (following === null) return null;
  const { steps, endsAtMinute } = following;
  const end = endsAtMinute === null ? undefined : minutes[endsAtMinute];
  return (
    <View role="group" aria-label={texts.whatHoldsIt} style={{ gap: 4 }}>
      <Heading level={3}>{texts.whatHoldsIt}</Heading>
      <Txt size="label" tone="quiet">
        {texts.whatHoldsItWhy(
          formatStopCount(bounds.faceStops, 'third'),
          formatStopCount(bounds.backgroundStops, 'third'),
        )}
      </Txt>
      {steps.length === 0 && end === undefined && <Txt>{texts.nothingToMove}</Txt>}
      {steps.map((step) => (
        <View key={step.minute} style={{ flexDirection: 'row', gap: 12, minHeight: 28 }}>
          <Txt bold style={{ width: 52 }}>
            {clockAt(step.atMs, timeZone)}
          </Txt>
          <Txt style={{ flex: 1 }}>{words.followingStep(step, context)}</Txt>
        </View>
      ))}
      {end !== undefined && <Txt>{texts.endsAt(clockAt(end.atMs, timeZone), words.followingEnd(following))}</Txt>}
    </View>
  );
}

/** When the picture leaves its bounds by itself, and what brings it back. */
function Untouched({ forecast, timeZone }: Told) {
  const { drift, minutes } = forecast;
  const at = drift === null ? undefined : minutes[drift.minute];
  return (
    <View role="group" aria-label={texts.untouched} style={{ gap: 4 }}>
      <Heading level={3}>{texts.untouched}</Heading>
      {drift === null || at === undefined ? (
        <Txt>{texts.staysIn}</Txt>
      ) : (
        <Txt>
          {texts.leavesAt(clockAt(at.atMs, timeZone), words.drift(drift))} {words.driftCure(drift)}
        </Txt>
      )}
    </View>
  );
}

/** How far this person lets a picture drift: what the moves and the minutes above go by. */
function Bounds() {
  const actions = useActions();
  const { bounds } = useKit().preferences;
  const put = (change: Partial<typeof bounds>) => actions.setPreferences({ bounds: { ...bounds, ...change } });
  const stops = { least: 1 / 6, step: 1 / 6 };
  return (
    <Disclosure title={texts.bounds} summary={texts.boundsSummary}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <StopsDial
          {...stops}
          label={texts.faceWithin}
          value={bounds.faceStops}
          most={1}
          onChange={(faceStops) => put({ faceStops })}
        />
        <StopsDial
          {...stops}
          label={texts.backgroundWithin}
          value={bounds.backgroundStops}
          most={2}
          onChange={(backgroundStops) => put({ backgroundStops })}
        />
        <NumberDial
          label={texts.shareWithin}
          unit="%"
          value={bounds.share * 100}
          least={2}
          most={50}
          step={1}
          decimals={0}
          onChange={(percent) => put({ share: percent / 100 })}
          note={texts.ofTheFacesLight}
        />
      </View>
    </Disclosure>
  );
}

/** The colour of the light ahead, where it asks for another white balance or other gels. */
function ColoursAhead({ forecast, timeZone }: Told) {
  const { context } = useSetup();
  if (forecast.colours.length === 0) return null;
  return (
    <View role="group" aria-label={texts.coloursAhead} style={{ gap: 4 }}>
      <Heading level={3}>{texts.coloursAhead}</Heading>
      {forecast.colours.map((step) => (
        <View key={step.minute} style={{ flexDirection: 'row', gap: 12, minHeight: 28 }}>
          <Txt bold style={{ width: 52 }}>
            {clockAt(step.atMs, timeZone)}
          </Txt>
          <Txt style={{ flex: 1 }}>{words.colourStep(step, context)}</Txt>
        </View>
      ))}
    </View>
  );
}

/** A notice when a reading is due, for whoever wants it. */
function TellMe({ forecast, setup }: Told) {
  const isDue = forecast.meterAgain?.minute === 0;
  const { state, turn } = useDueNotice(setup.id);
  // what is due already is said above: nobody asks to be told then
  if (forecast.meterAgain === null || (isDue && state !== 'on')) return null;
  return (
    <>
      <ToggleList
        label={texts.whileOpen}
        choices={[{ value: 'on', label: texts.tellMe }]}
        values={state === 'on' ? ['on'] : []}
        onChange={(values) => void turn(values.length > 0)}
      />
      {state === 'refused' && (
        <Txt role="alert" tone="danger">
          {texts.notAllowed}
        </Txt>
      )}
    </>
  );
}

/** How the light that was metered goes on, how well that is known, and what holds the picture meanwhile. */
export function NextHour() {
  const { setup } = useSetup();
  const { forecast, timeZone } = useForecast();
  if (forecast === null)
    return (
      <Disclosure title={texts.theNextHour} summary={texts.nothingMetered}>
        <Txt tone="quiet">{texts.nothingMetered}</Txt>
      </Disclosure>
    );
  const told = { forecast, setup, timeZone };
  const { fromMs, live, by, byWeather, darkAtMinute, lampsAtMinute, minutes } = forecast;
  const due = live ? dueLine(forecast, setup, timeZone) : texts.fromThen(momentAt(fromMs, timeZone));
  const dark = darkAtMinute === null ? undefined : minutes[darkAtMinute];
  const lit = lampsAtMinute === null ? undefined : minutes[lampsAtMinute];
  return (
    <Disclosure title={texts.theNextHour} summary={due}>
      <Txt role="status" bold>
        {due}
      </Txt>
      <Txt size="label" tone="quiet">
        {[by === 'sun' ? texts.bySun : texts.byReadings, ...(byWeather ? [texts.byWeather] : [])].join(' ')}
      </Txt>
      {live && <TellMe {...told} />}
      <EarlierVisit timeZone={timeZone} />
      <TakeTheSun forecast={forecast} />
      <EdgesSoon forecast={forecast} timeZone={timeZone} />
      <AheadChart {...told} />
      <AheadTable {...told} />
      {lit !== undefined && <Txt>{texts.lampsFrom(clockAt(lit.atMs, timeZone))}</Txt>}
      {dark !== undefined && <Txt>{texts.darkFrom(clockAt(dark.atMs, timeZone))}</Txt>}
      <WhatHoldsIt {...told} />
      <Untouched {...told} />
      <Bounds />
      <ColoursAhead {...told} />
    </Disclosure>
  );
}
