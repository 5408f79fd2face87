import { Pressable, StyleSheet, View, type ViewStyle } from 'react-native';

import PathIcon from './PathIcon';
import { Txt } from './Txt';
import type { IconName } from './iconPaths';
import { TOUCH } from './palette';
import { usePalette } from './theme';

interface ActionButtonProps {
  label: string;
  onPress: () => void;
  kind?: 'primary' | 'secondary' | 'plain';
  icon?: IconName;
  /** a name for screen readers where the label alone does not say which */
  name?: string;
  disabled?: boolean;
  grow?: boolean;
}

/** What a button stands on; a plain one is words alone. */
const GROUNDS = { primary: 'accent', secondary: 'control', plain: null } as const;

/** One corner cut: the wedge's mark on a primary surface. */
const CUT = { clipPath: 'polygon(0 0, calc(100% - 14px) 0, 100% 14px, 100% 100%, 0 100%)' } as ViewStyle;

/** A button; the primary one, of which a view has one, has its corner cut. */
export function ActionButton({
  label,
  onPress,
  kind = 'secondary',
  icon,
  name,
  disabled = false,
  grow = false,
}: ActionButtonProps) {
  const palette = usePalette();
  const primary = kind === 'primary';
  const ground = GROUNDS[kind];
  return (
    <Pressable
      role="button"
      aria-label={name ?? label}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      style={({ pressed }) => ({
        minHeight: TOUCH,
        flexGrow: grow ? 1 : 0,
        opacity: disabled ? 0.55 : pressed ? 0.8 : 1,
        justifyContent: 'center',
      })}
    >
      <View
        style={[
          {
            position: 'absolute',
            inset: 0,
            borderRadius: primary ? 0 : 4,
            backgroundColor: ground === null ? 'transparent' : palette[ground],
          },
          primary ? CUT : null,
        ]}
      />
      <View
        style={{
          flexDirection: 'row',
          alignItems: 'center',
          justifyContent: 'center',
          gap: 8,
          paddingHorizontal: kind === 'plain' ? 8 : 16,
          paddingVertical: 8,
        }}
      >
        {icon && <PathIcon name={icon} color={primary ? palette.onAccent : palette.text} size={20} />}
        <Txt bold tone={primary ? 'onAccent' : 'text'}>
          {label}
        </Txt>
      </View>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  icon: { width: TOUCH, height: TOUCH, alignItems: 'center', justifyContent: 'center' },
  off: { opacity: 0.4 },
  pressed: { opacity: 0.7 },
});

/** A button that is only an icon; its name is for those who do not see it. */
export function IconButton({
  icon,
  name,
  onPress,
  disabled = false,
}: {
  icon: IconName;
  name: string;
  onPress: () => void;
  disabled?: boolean;
}) {
  const palette = usePalette();
  return (
    <Pressable
      role="button"
      aria-label={name}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      style={({ pressed }) => [styles.icon, disabled ? styles.off : pressed ? styles.pressed : null]}
    >
      <PathIcon name={icon} color={palette.text} />
    </Pressable>
  );
}
