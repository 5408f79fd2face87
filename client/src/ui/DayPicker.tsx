import { format } from 'date-fns/format';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { DatePickerModal, enGB, registerTranslation } from 'react-native-paper-dates';

import PathIcon from './PathIcon';
import { Txt } from './Txt';
import { TOUCH } from './palette';
import { usePalette } from './theme';

registerTranslation('en-GB', enGB);

/** A day that is chosen from a calendar. @param value the day as `2026-02-27`; it has no zone of its own */
export function DayPicker({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (day: string) => void;
}) {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const day = parseISO(value);
  const said = format(day, 'd MMMM yyyy');
  return (
    <View style={{ gap: 2 }}>
      <Txt size="label" tone="quiet">
        {label}
      </Txt>
      <Pressable
        role="button"
        aria-label={`${label}: ${said}`}
        onPress={() => setOpen(true)}
        style={{
          flexDirection: 'row',
          alignItems: 'center',
          gap: 12,
          minHeight: TOUCH,
          paddingHorizontal: 12,
          borderRadius: 4,
          backgroundColor: palette.raised,
        }}
      >
        <PathIcon name="calendar" color={palette.quiet} />
        <Txt bold>{said}</Txt>
      </Pressable>
      <DatePickerModal
        locale="en-GB"
        mode="single"
        visible={open}
        date={day}
        startWeekOnMonday
        onDismiss={() => setOpen(false)}
        onConfirm={({ date }) => {
          setOpen(false);
          if (date !== undefined) onChange(formatISO(date, { representation: 'date' }));
        }}
      />
    </View>
  );
}
