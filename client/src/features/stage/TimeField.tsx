import { texts } from './texts';
import { DayPicker } from '@/ui/DayPicker';
import { StopDial } from '@/ui/StopDial';
import { TZDate } from '@date-fns/tz';
import { addMinutes } from 'date-fns/addMinutes';
import { format } from 'date-fns/format';
import { View } from 'react-native';

import { isTimeZone } from '@sphene/core/documents';
import { failure, success } from '@sphene/core/photometry';

const STEP_MINUTES = 10;
const WRITTEN = /^(\d{4})-(\d{1,2})-(\d{1,2})[ T]+(\d{1,2})[:.](\d{2})$/;

/** A day and time at a place, stepped by ten minutes or typed as `2026-02-27 16:40`. @param at as the document keeps it */
export function TimeField({
  at,
  timeZone,
  onChange,
}: {
  at: string;
  timeZone: string;
  onChange: (at: string) => void;
}) {
  const zone = isTimeZone(timeZone) ? timeZone : 'UTC';
  const time = new TZDate(at, zone);
  const keep = (date: Date) => onChange(new Date(date.getTime()).toISOString());
  const parse = (text: string) => {
    const [, year, month, day, hour, minute] = (WRITTEN.exec(text.trim()) ?? []).map(Number);
    const date =
      year === undefined || month === undefined
        ? null
        : new TZDate(year, month - 1, day ?? 1, hour ?? 0, minute ?? 0, 0, zone);
    // a date that rolls over, such as 31 February, was not meant
    return date === null ||
      Number.isNaN(date.getTime()) ||
      date.getMonth() + 1 !== month ||
      date.getDate() !== day ||
      date.getHours() !== hour
      ? failure(texts.writeDayAndTimeSuch)
      : success(date.getTime());
  };
  const onDay = (day: string) => {
    const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
    keep(new TZDate(year, month - 1, date, time.getHours(), time.getMinutes(), 0, zone));
  };
  return (
    <View style={{ gap: 8 }}>
      <DayPicker label={texts.dayThere} value={format(time, 'yyyy-MM-dd')} onChange={onDay} />
      <StopDial
        label={texts.dayAndTimeThere}
        text={format(time, 'yyyy-MM-dd HH:mm')}
        note={zone}
        parse={parse}
        onChange={(ms) => keep(new Date(ms))}
        down={{ name: texts.earlier, onPress: () => keep(addMinutes(time, -STEP_MINUTES)), disabled: false }}
        up={{ name: texts.later, onPress: () => keep(addMinutes(time, STEP_MINUTES)), disabled: false }}
      />
    </View>
  );
}
