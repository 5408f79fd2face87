import { Txt } from '@/ui/Txt';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { Pressable } from 'react-native';

/** A button that acts as long as it is held. */
export function HoldButton({
  label,
  disabled,
  onHold,
}: {
  label: string;
  disabled: boolean;
  onHold: (held: boolean) => void;
}) {
  const palette = usePalette();
  const keys = {
    onKeyDown: (event: { key: string; preventDefault: () => void }) => {
      if (event.key === ' ' || event.key === 'Enter') {
        event.preventDefault();
        onHold(true);
      }
    },
    onKeyUp: () => onHold(false),
    onBlur: () => onHold(false),
  };
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-disabled={disabled}
      disabled={disabled}
      onPressIn={() => onHold(true)}
      onPressOut={() => onHold(false)}
      {...keys}
      style={
        {
          minHeight: TOUCH,
          flexGrow: 1,
          borderWidth: 1,
          borderColor: palette.line,
          borderRadius: 4,
          alignItems: 'center',
          justifyContent: 'center',
          paddingHorizontal: 12,
          opacity: disabled ? 0.55 : 1,
          userSelect: 'none',
        } as object
      }
    >
      <Txt bold>{label}</Txt>
    </Pressable>
  );
}
