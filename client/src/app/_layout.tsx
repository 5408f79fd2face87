import { useLaterScreens } from '@/shell/laterScreen';
import { useUpdates } from '@/shell/updates';
import { DueNotices, WorkProvider } from '@/shell/work';
import { ApplicationProvider } from '@/store/application';
import { useAppSelector } from '@/store/store';
import { ThemeProvider, usePalette } from '@/ui/theme';
import { AtkinsonHyperlegibleNext_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
import { useFonts } from 'expo-font';
import { Stack, useSegments } from 'expo-router';

function Screens() {
  const palette = usePalette();
  return (
    <Stack
      screenOptions={{ headerShown: false, animation: 'none', contentStyle: { backgroundColor: palette.ground } }}
    />
  );
}

const loadWork = () => import('@/pieces/work');

function Themed() {
  const theme = useAppSelector((state) => state.device.theme);
  useLaterScreens();
  useUpdates();
  return (
    <ThemeProvider choice={theme}>
      <WorkProvider load={loadWork}>
        <Screens />
        <DueNotices />
      </WorkProvider>
    </ThemeProvider>
  );
}

export default function RootLayout() {
  useFonts({ AtkinsonHyperlegibleNext_400Regular, AtkinsonHyperlegibleNext_700Bold });
  const [first] = useSegments();
  // who opens a card has no account here: nothing is started or fetched but that card
  if (first === 'card')
    return (
      <ThemeProvider choice="system">
        <Screens />
      </ThemeProvider>
    );
  return (
    <ApplicationProvider>
      <Themed />
    </ApplicationProvider>
  );
}
