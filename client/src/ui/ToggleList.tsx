import { View } from 'react-native';

import { Chip } from './Chip';
import { Txt } from './Txt';
import { onSpace } from './onSpace';

/** Any number of several, as chips that are on or off. */
export function ToggleList({
  label,
  choices,
  values,
  onChange,
}: {
  label: string;
  choices: readonly { value: string; label: string; note?: string }[];
  values: readonly string[];
  onChange: (values: string[]) => void;
}) {
  return (
    <View style={{ gap: 4 }}>
      <Txt size="label" tone="quiet">
        {label}
      </Txt>
      <View role="group" aria-label={label} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {choices.map(({ value, label: name, note }) => {
          const on = values.includes(value);
          const toggle = () => onChange(on ? values.filter((one) => one !== value) : [...values, value]);
          return (
            <Chip
              key={value}
              role="checkbox"
              label={name}
              note={note}
              on={on}
              onPress={toggle}
              keys={onSpace(toggle)}
            />
          );
        })}
      </View>
    </View>
  );
}
