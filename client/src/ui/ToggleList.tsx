import { Pressable, View } from 'react-native';

import { Txt } from './Txt';
import { onSpace } from './onSpace';
import { TOUCH } from './palette';
import { usePalette } from './theme';

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
  const palette = usePalette();
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
            <Pressable
              key={value}
              role="checkbox"
              aria-checked={on}
              aria-label={note === undefined ? name : `${name}, ${note}`}
              onPress={toggle}
              {...(onSpace(toggle) as object)}
              style={{
                minHeight: TOUCH,
                flexGrow: 1,
                paddingHorizontal: 12,
                paddingVertical: 6,
                justifyContent: 'center',
                borderWidth: on ? 2 : 1,
                borderRadius: 4,
                borderColor: on ? palette.accent : palette.line,
                backgroundColor: on ? palette.raised : 'transparent',
              }}
            >
              <Txt bold={on} style={{ textAlign: 'center' }}>
                {name}
              </Txt>
              {note !== undefined && (
                <Txt size="label" tone="quiet" style={{ textAlign: 'center' }}>
                  {note}
                </Txt>
              )}
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}
