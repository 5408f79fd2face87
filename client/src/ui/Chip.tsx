import { Pressable, View, type ViewStyle } from 'react-native';

import PathIcon from './PathIcon';
import { Txt } from './Txt';
import { TOUCH } from './palette';
import { usePalette } from './theme';

interface ChipProps {
  label: string;
  /** in a few words, what it means */
  note: string | undefined;
  /** the note stands under the label; else it is for a voice only */
  noted: boolean;
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

/** Under what is chosen: light that rises to the right. */
export function ChosenWedge() {
  const palette = usePalette();
  return (
    <View
      aria-hidden
      style={
        {
          position: 'absolute',
          left: '12%',
          right: '12%',
          bottom: 0,
          height: 6,
          backgroundColor: palette.accent,
          clipPath: 'polygon(0 80%, 100% 0, 100% 100%, 0 100%)',
          pointerEvents: 'none',
        } as object
      }
    />
  );
}

/** One of a list: what is chosen is told by weight and wedge, what is on by itself by a tick too; never by colour alone. */
export function Chip({ label, note, noted, on, role, onPress, keys, tabIndex = 0, style }: ChipProps) {
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
        paddingVertical: 7,
        justifyContent: 'center',
        ...style,
      }}
    >
      <View style={{ flexDirection: 'row', justifyContent: 'center', alignItems: 'center', gap: 4 }}>
        {role === 'checkbox' && on && <PathIcon name="check" color={palette.accent} size={18} />}
        <Txt bold={on} tone={on ? 'text' : 'quiet'} style={{ textAlign: 'center', flexShrink: 1 }}>
          {label}
        </Txt>
      </View>
      {noted && note !== undefined && (
        <Txt size="label" tone="quiet" style={{ textAlign: 'center' }}>
          {note}
        </Txt>
      )}
      {on && <ChosenWedge />}
    </Pressable>
  );
}
