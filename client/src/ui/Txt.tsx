import type { ReactNode } from 'react';
import { Text, type TextProps } from 'react-native';

import { BOLD, type Palette, REGULAR, SIZE } from './palette';
import { usePalette } from './theme';

interface TxtProps extends Omit<TextProps, 'children'> {
  children: ReactNode;
  size?: keyof typeof SIZE;
  tone?: keyof Pick<Palette, 'text' | 'quiet' | 'accent' | 'onAccent' | 'ambient' | 'flash' | 'danger'>;
  bold?: boolean;
}

/** Text in one of the four sizes, with figures that stand under each other. */
export function Txt({ size = 'text', tone = 'text', bold = false, style, children, ...rest }: TxtProps) {
  const palette = usePalette();
  return (
    <Text
      {...rest}
      style={[
        {
          fontFamily: bold ? BOLD : REGULAR,
          fontSize: SIZE[size],
          lineHeight: Math.round(SIZE[size] * (size === 'figure' ? 1.15 : 1.35)),
          color: palette[tone],
          fontVariant: ['tabular-nums'],
        },
        style,
      ]}
    >
      {children}
    </Text>
  );
}

/** A heading, found by screen readers as one. */
export function Heading({
  children,
  level = 2,
  size = 'text',
}: {
  children: ReactNode;
  level?: 1 | 2 | 3;
  size?: 'text' | 'value';
}) {
  return (
    <Txt role="heading" aria-level={level} size={size} bold>
      {children}
    </Txt>
  );
}
