import { Pressable, type ViewStyle } from 'react-native';

import { Txt } from './Txt';
import { TOUCH } from './palette';
import { usePalette } from './theme';

interface ChipProps {
  label: string;
  /** in a few words, what it means */
  note: string | undefined;
  on: boolean;
  /** one of several, or on by itself */
  role: 'radio' | 'checkbox';
  onPress: () => void;
  /** what keys do on it */
  keys: object;
  tabIndex?: 0 | -1;
  /** how it takes its room among others */
  style?: ViewStyle;
}

/** One chip of a list: chosen or not, told by its border and weight as well as by colour. */
export function Chip({ label, note, on, role, onPress, keys, tabIndex = 0, style }: ChipProps) {
  const palette = usePalette();
  return (
    <Pressable
      role={role}
      aria-checked={on}
      aria-label={note === undefined ? label : `${label}, ${note}`}
      onPress={onPress}
      tabIndex={tabIndex}
      {...keys}
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
        ...style,
      }}
    >
      <Txt bold={on} style={{ textAlign: 'center' }}>
        {label}
      </Txt>
      {note !== undefined && (
        <Txt size="label" tone="quiet" style={{ textAlign: 'center' }}>
          {note}
        </Txt>
      )}
    </Pressable>
  );
}
