import { texts } from './texts';
import { words } from '@/language/words';
import { PrintPart } from '@/shell/paper/PrintPart';
import { OUR_NAME } from '@/shell/texts';
import { downloadText, fileNameOf } from '@/shell/download';
import { ActionButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { pickFile } from '@/ui/pickFile';
import { Txt } from '@/ui/Txt';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import {
  type CalendarEvent,
  type NamedPlace,
  readCalendar,
  writeCalendar,
  writeGeoJson,
  writeGpx,
} from '@sphene/core/exchange';
import { PLAIN_PLAN, type Setup, type SetupPlan } from '@sphene/core/setup';
import { runSheet } from './runSheet';
import type { DayPlan } from './useDayPlan';

const MINUTE_MS = 60_000;
const UID_END = '@sphene';

/** The plan as entries of a calendar: shooting alone, set-up is in the note. */
const eventsOf = ({ lines, clock }: DayPlan): CalendarEvent[] =>
  lines.map(({ setup, spot, planned }) => ({
    uid: `${setup.id}${UID_END}`,
    title: setup.title,
    place: spot?.title ?? '',
    note: texts.setUpFrom(clock(planned.busy.fromMs)),
    fromMs: planned.fromMs,
    toMs: planned.toMs,
  }));

/** New times for setups that a calendar's entries are of, by their number or their name. */
function timesIn(events: readonly CalendarEvent[], setups: readonly Setup[]): { setup: Setup; plan: SetupPlan }[] {
  return events.flatMap((event) => {
    const setup = setups.find(({ id, title }) => event.uid === `${id}${UID_END}` || event.title === title);
    if (setup === undefined) return [];
    const shootMin = Math.min(600, Math.max(1, Math.round((event.toMs - event.fromMs) / MINUTE_MS)));
    const plan = { ...(setup.plan ?? PLAIN_PLAN), startsAt: new Date(event.fromMs).toISOString(), shootMin };
    return [{ setup, plan }];
  });
}

/** The plan on paper, in a calendar and out of one, and the places as files. */
export function FilesPart({ day, date }: { day: DayPlan; date: string }) {
  const [said, setSaid] = useState<{ text: string; wrong: boolean } | null>(null);
  const { shoot, spots } = day;
  const sheet = useMemo(() => runSheet(day, date), [day, date]);
  const places = spots.flatMap(({ title, place }): NamedPlace[] => (place === null ? [] : [{ name: title, place }]));
  const takeCalendar = async (file: File) => {
    const read = readCalendar(await file.text());
    if (!read.ok) return setSaid({ text: words.calendarFault(read.reason), wrong: true });
    const times = timesIn(read.value, [...day.lines.map(({ setup }) => setup), ...day.others]);
    if (times.length === 0) return setSaid({ text: texts.nothingOfOurs, wrong: true });
    day.changeAll(times);
    const left = read.value.length - times.length;
    setSaid({ text: texts.calendarTaken(times.length) + (left === 0 ? '' : texts.calendarLeft(left)), wrong: false });
  };
  const putPlaces = (ending: string, type: string, write: (places: readonly NamedPlace[]) => string) =>
    places.length === 0
      ? setSaid({ text: texts.noPlaces, wrong: true })
      : downloadText(fileNameOf(shoot.title, ending), write(places), type);
  return (
    <Disclosure title={texts.out} summary={texts.outSummary}>
      <Txt bold>{texts.runSheet}</Txt>
      <PrintPart sheet={sheet} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton
          label={texts.calendarOut}
          icon="tray-arrow-up"
          onPress={() =>
            downloadText(fileNameOf(shoot.title, 'ics'), writeCalendar(eventsOf(day), Date.now()), 'text/calendar')
          }
        />
        <ActionButton
          label={texts.calendarIn}
          icon="tray-arrow-down"
          onPress={() => pickFile('.ics,text/calendar', (file) => void takeCalendar(file))}
        />
        <ActionButton
          label={texts.gpxOut}
          icon="tray-arrow-up"
          onPress={() => putPlaces('gpx', 'application/gpx+xml', (all) => writeGpx(all, OUR_NAME))}
        />
        <ActionButton
          label={texts.geoJsonOut}
          icon="tray-arrow-up"
          onPress={() => putPlaces('geojson', 'application/geo+json', writeGeoJson)}
        />
      </View>
      {said !== null && (
        <Txt role={said.wrong ? 'alert' : 'status'} tone={said.wrong ? 'danger' : 'text'}>
          {said.text}
        </Txt>
      )}
    </Disclosure>
  );
}
