import { ScrollView } from 'react-native';

import { useActions, useKeeper } from '@/store/application';
import type { ThemeChoice } from '@/store/deviceSlice';
import { selectKit } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ChoiceList } from '@/ui/ChoiceList';
import { Screen } from '@/ui/Screen';
import { Heading, Txt } from '@/ui/Txt';
import { SHORTCUTS } from '@/features/balance/shortcuts';

/** How this person counts, how this device looks, and the list of shortcuts. */
export function SettingsScreen() {
  const actions = useActions();
  const keeper = useKeeper();
  const { preferences } = useAppSelector(selectKit);
  const theme = useAppSelector((state) => state.device.theme);
  return (
    <Screen title="Settings" up="/">
      <ScrollView contentContainerStyle={{ padding: 16, gap: 24, maxWidth: 560, width: '100%', alignSelf: 'center' }}>
        <ChoiceList<ThemeChoice> label="Theme, on this device" value={theme} onChoose={(choice) => void keeper.keepTheme(choice)} choices={[
          { value: 'system', label: 'As the device' }, { value: 'glare', label: 'Glare', note: 'for bright sun' }, { value: 'dark', label: 'Dark', note: 'for dusk' }, { value: 'dim', label: 'Dim', note: 'spares night vision' },
        ]} />
        <ChoiceList label="The hand meter shows" value={preferences.meterIncrement} onChoose={(meterIncrement) => actions.setPreferences({ meterIncrement })} choices={[
          { value: 'tenth', label: 'Tenths', note: 'f/5.6⁴' }, { value: 'third', label: 'Thirds', note: 'f/6.3' }, { value: 'half', label: 'Halves', note: 'f/6.7' },
        ]} />
        <ChoiceList label="Distances in" value={preferences.distanceUnit} onChoose={(distanceUnit) => actions.setPreferences({ distanceUnit })} choices={[{ value: 'm', label: 'Metres' }, { value: 'ft', label: 'Feet' }]} />
        <Heading>Keys</Heading>
        {SHORTCUTS.map(({ keys, does }) => <Txt key={keys}><Txt bold>{keys}</Txt>  {does}</Txt>)}
      </ScrollView>
    </Screen>
  );
}
