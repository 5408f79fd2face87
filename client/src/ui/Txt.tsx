import type { ReactNode } from 'react';
import { StyleSheet, Text, type TextProps, type TextStyle } from 'react-native';

import { BOLD, type Palette, PALETTES, REGULAR, SIZE } from './palette';
import { usePalette } from './theme';

type Size = keyof typeof SIZE;

type Tone = 'text' | 'quiet' | 'accent' | 'onAccent' | 'ambient' | 'flash' | 'danger';

interface TxtProps extends Omit<TextProps, 'children'> {
  children: ReactNode;
  size?: Size;
  tone?: Tone;
  bold?: boolean;
}

// Written once, so that they are classes of a style sheet: a style made anew for each text is most of what a text costs.
const sized = (size: Size, lines: number): TextStyle => ({
  fontSize: SIZE[size],
  lineHeight: Math.round(SIZE[size] * lines),
  fontVariant: ['tabular-nums'],
});
const styles = StyleSheet.create({
  figure: sized('figure', 1.15),
  value: sized('value', 1.35),
  text: sized('text', 1.35),
  label: sized('label', 1.35),
  regular: { fontFamily: REGULAR },
  bold: { fontFamily: BOLD },
});
const coloured = (palette: Palette): Record<Tone, TextStyle> =>
  StyleSheet.create({
    text: { color: palette.text },
    quiet: { color: palette.quiet },
    accent: { color: palette.accent },
    onAccent: { color: palette.onAccent },
    ambient: { color: palette.ambient },
    flash: { color: palette.flash },
    danger: { color: palette.danger },
  });
const COLOURS = new Map(Object.values(PALETTES).map((palette) => [palette, coloured(palette)]));

/** Text in one of the four sizes, with figures that stand under each other. */
export function Txt({ size = 'text', tone = 'text', bold = false, style, children, ...rest }: TxtProps) {
  const palette = usePalette();
  return (
    <Text {...rest} style={[styles[size], bold ? styles.bold : styles.regular, COLOURS.get(palette)?.[tone], style]}>
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
