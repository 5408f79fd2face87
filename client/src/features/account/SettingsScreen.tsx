import { words } from '@/language/words';
import { SHORTCUTS } from '@/setupView/shortcuts';
import { useActions, useKeeper } from '@/store/application';
import type { ThemeChoice } from '@/store/deviceSlice';
import { selectGear } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ChoiceList } from '@/ui/ChoiceList';
import { Screen } from '@/shell/Screen';
import { Heading, Txt } from '@/ui/Txt';
import { ScrollView } from 'react-native';

import { keepOrderSchema, LOOK_WAY_IDS } from '@sphene/core/gear';

/** The orders that people work by; the first dial is kept, the last gives way first. */
const ORDERS = [
  { value: 'aperture,iso,shutter', label: 'Aperture', note: 'then ISO; the shutter gives way first' },
  { value: 'aperture,shutter,iso', label: 'Aperture, shutter', note: 'the ISO gives way first' },
  { value: 'shutter,iso,aperture', label: 'Shutter', note: 'then ISO; the aperture gives way first' },
  { value: 'iso,aperture,shutter', label: 'ISO', note: 'then aperture; the shutter gives way first' },
];

/** How this person counts, how this device looks, and the list of shortcuts. */
export function SettingsScreen() {
  const actions = useActions();
  const keeper = useKeeper();
  const { preferences } = useAppSelector(selectGear);
  const theme = useAppSelector((state) => state.device.theme);
  return (
    <Screen title="Settings" up="/">
      <ScrollView contentContainerStyle={{ padding: 16, gap: 24, maxWidth: 560, width: '100%', alignSelf: 'center' }}>
        <ChoiceList<ThemeChoice>
          label="Theme, on this device"
          value={theme}
          onChoose={(choice) => void keeper.keepTheme(choice)}
          choices={[
            { value: 'system', label: 'As the device' },
            { value: 'glare', label: 'Glare', note: 'for bright sun' },
            { value: 'dark', label: 'Dark', note: 'for dusk' },
            { value: 'dim', label: 'Dim', note: 'spares night vision' },
          ]}
        />
        <ChoiceList
          label="The hand meter shows"
          value={preferences.meterIncrement}
          onChoose={(meterIncrement) => actions.setPreferences({ meterIncrement })}
          choices={[
            { value: 'tenth', label: 'Tenths', note: 'f/5.6⁴' },
            { value: 'third', label: 'Thirds', note: 'f/6.3' },
            { value: 'half', label: 'Halves', note: 'f/6.7' },
          ]}
        />
        <ChoiceList
          label="Distances in"
          value={preferences.distanceUnit}
          onChoose={(distanceUnit) => actions.setPreferences({ distanceUnit })}
          choices={[
            { value: 'm', label: 'Metres' },
            { value: 'ft', label: 'Feet' },
          ]}
        />
        <ChoiceList
          label="You say the look as"
          value={preferences.lookWay}
          onChoose={(lookWay) => actions.setPreferences({ lookWay })}
          choices={LOOK_WAY_IDS.map((id) => ({
            value: id,
            label: words.lookWay(id).name,
            note: words.lookWay(id).example,
          }))}
        />
        <ChoiceList
          label="A new setup keeps first"
          value={preferences.keepOrder.join()}
          onChoose={(order) => {
            const read = keepOrderSchema.safeParse(order.split(','));
            if (read.success) actions.setPreferences({ keepOrder: read.data });
          }}
          choices={ORDERS}
        />
        <ChoiceList
          label="Mains, for lamps that flicker"
          value={String(preferences.mainsHz)}
          onChoose={(hz) => actions.setPreferences({ mainsHz: hz === '60' ? 60 : 50 })}
          choices={[
            { value: '50', label: '50 Hz' },
            { value: '60', label: '60 Hz' },
          ]}
        />
        <Heading>Keys</Heading>
        {SHORTCUTS.map(({ keys, does }) => (
          <Txt key={keys}>
            <Txt bold>{keys}</Txt> {does}
          </Txt>
        ))}
      </ScrollView>
    </Screen>
  );
}
