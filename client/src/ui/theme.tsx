import { createContext, type ReactNode, useContext, useMemo } from 'react';
import { useColorScheme } from 'react-native';
import { PaperProvider } from 'react-native-paper';

import { type Palette, PALETTES, paperTheme } from './palette';

const PaletteContext = createContext<Palette>(PALETTES.dark);

/** The colours in force. */
export const usePalette = (): Palette => useContext(PaletteContext);

/** Sets the colours for everything below; `system` follows the device between dark and glare. */
export function ThemeProvider({ choice, children }: { choice: keyof typeof PALETTES | 'system'; children: ReactNode }) {
  const scheme = useColorScheme();
  const palette = PALETTES[choice === 'system' ? (scheme === 'light' ? 'glare' : 'dark') : choice];
  const paper = useMemo(() => paperTheme(palette), [palette]);
  return (
    <PaletteContext.Provider value={palette}>
      <PaperProvider theme={paper}>{children}</PaperProvider>
    </PaletteContext.Provider>
  );
}
