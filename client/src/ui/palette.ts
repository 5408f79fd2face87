import { configureFonts, DefaultTheme, type MD3Theme } from 'react-native-paper';

/** The colours of one theme, each with one role. Meaning never hangs on colour alone: ambient is lined, flash dotted. */
export interface Palette {
  isDark: boolean;
  ground: string;
  /** a surface that stands a little out of the ground */
  raised: string;
  /** a button that is not the one to press, on the ground and on what is raised */
  control: string;
  /** hairlines and borders of controls */
  line: string;
  text: string;
  quiet: string;
  accent: string;
  onAccent: string;
  ambient: string;
  flash: string;
  danger: string;
  /** the lightest patch of the step wedge: not white where night vision is to be spared */
  patch: readonly [red: number, green: number, blue: number];
}

export const PALETTES: Record<'dark' | 'glare' | 'dim', Palette> = {
  dark: {
    isDark: true,
    ground: '#14160F',
    raised: '#1E2118',
    control: '#2C3024',
    line: '#5C614D',
    text: '#F1F2E6',
    quiet: '#B4B8A3',
    accent: '#CBDC4E',
    onAccent: '#14160F',
    ambient: '#8EBDF0',
    flash: '#F5B068',
    danger: '#FF8A73',
    patch: [255, 255, 255],
  },
  glare: {
    isDark: false,
    ground: '#FFFFFF',
    raised: '#F3F4EA',
    control: '#E3E6D2',
    line: '#6B7059',
    text: '#14160F',
    quiet: '#434738',
    accent: '#4E5B00',
    onAccent: '#FFFFFF',
    ambient: '#0F4C86',
    flash: '#8A3F00',
    danger: '#9C1B10',
    patch: [255, 255, 255],
  },
  dim: {
    isDark: true,
    ground: '#0A0603',
    raised: '#150C07',
    control: '#23130A',
    line: '#6A3F27',
    text: '#D98A5B',
    quiet: '#BE754E',
    accent: '#D9A05B',
    onAccent: '#0A0603',
    ambient: '#A87C6A',
    flash: '#E0793A',
    danger: '#F06A4A',
    patch: [150, 92, 58],
  },
};

export const REGULAR = 'AtkinsonHyperlegibleNext_400Regular';
export const BOLD = 'AtkinsonHyperlegibleNext_700Bold';

/** Four sizes and no more, in px: figures, values, text, labels. */
export const SIZE = { figure: 40, value: 22, text: 16, label: 13 } as const;

/** What a flat field keeps free before its text: taken back where the text should stand in line, px. */
export const FLAT_EDGE = 16;

/** A touch target's least side, px. */
export const TOUCH = 48;

/** Paper's own parts in our colours. */
export function paperTheme(palette: Palette): MD3Theme {
  const level = palette.raised;
  return {
    ...DefaultTheme,
    dark: palette.isDark,
    roundness: 2,
    fonts: configureFonts({ config: { fontFamily: REGULAR } }),
    colors: {
      ...DefaultTheme.colors,
      primary: palette.accent,
      onPrimary: palette.onAccent,
      background: palette.ground,
      onBackground: palette.text,
      surface: palette.raised,
      onSurface: palette.text,
      onSurfaceVariant: palette.quiet,
      surfaceVariant: palette.raised,
      outline: palette.line,
      secondaryContainer: palette.accent,
      onSecondaryContainer: palette.onAccent,
      error: palette.danger,
      inverseSurface: palette.text,
      inverseOnSurface: palette.ground,
      inversePrimary: palette.ground,
      elevation: { level0: 'transparent', level1: level, level2: level, level3: level, level4: level, level5: level },
    },
  };
}
