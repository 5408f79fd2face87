import { View } from 'react-native';

import { Chip } from './Chip';
import { Txt } from './Txt';
import { onSpace } from './onSpace';
import { usePalette } from './theme';

/** Any number of several, each on or off by itself. */
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
  const palette = usePalette();
  return (
    <View style={{ gap: 4 }}>
      <Txt size="label" tone="quiet">
        {label}
      </Txt>
      <View
        role="group"
        aria-label={label}
        style={{ flexDirection: 'row', flexWrap: 'wrap', borderRadius: 4, backgroundColor: palette.raised }}
      >
        {choices.map(({ value, label: name, note }) => {
          const on = values.includes(value);
          const toggle = () => onChange(on ? values.filter((one) => one !== value) : [...values, value]);
          return (
            <Chip
              key={value}
              role="checkbox"
              label={name}
              note={note}
              noted
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
