import { ChoiceList } from '@/ui/ChoiceList';
import { Heading, Txt } from '@/ui/Txt';
import { type PALETTES } from '@/ui/palette';
import { ThemeProvider, usePalette } from '@/ui/theme';
import { useState } from 'react';
import { View } from 'react-native';

import type { GalleryPart } from './held';
import { PARTS } from './parts';

type Theme = keyof typeof PALETTES;
const THEMES: readonly { value: Theme; label: string }[] = [
  { value: 'glare', label: 'Glare' },
  { value: 'dark', label: 'Dark' },
  { value: 'dim', label: 'Dim' },
];

function Part({ file, states }: GalleryPart) {
  const palette = usePalette();
  return (
    <View
      role="region"
      aria-label={file}
      style={{ gap: 16, paddingVertical: 20, borderTopWidth: 1, borderTopColor: palette.line }}
    >
      <Heading size="value">{file}</Heading>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 32, rowGap: 24 }}>
        {states.map(({ name, shown }) => (
          <View key={name} style={{ gap: 8, flexGrow: 1, flexBasis: 340, minWidth: 0, maxWidth: 620 }}>
            <Txt size="label" tone="quiet">
              {name}
            </Txt>
            <View style={{ alignItems: 'stretch' }}>{shown}</View>
          </View>
        ))}
      </View>
    </View>
  );
}

function Page({ theme, onTheme }: { theme: Theme; onTheme: (theme: Theme) => void }) {
  const palette = usePalette();
  return (
    <View style={{ backgroundColor: palette.ground, minHeight: '100%' }}>
      <View role="main" style={{ padding: 16, gap: 20, maxWidth: 1280, width: '100%', alignSelf: 'center' }}>
        <Heading level={1} size="value">
          The parts of the interface
        </Heading>
        <ChoiceList label="Theme" layout="row" value={theme} onChoose={onTheme} choices={THEMES} />
        {PARTS.map((part) => (
          <Part key={part.file} {...part} />
        ))}
      </View>
    </View>
  );
}

/** Every part of `ui` in every state, in one theme at a time. */
export function Gallery() {
  const [theme, setTheme] = useState<Theme>('dark');
  return (
    <ThemeProvider choice={theme}>
      <Page theme={theme} onTheme={setTheme} />
    </ThemeProvider>
  );
}
