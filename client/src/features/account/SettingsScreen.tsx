import { texts } from './texts';
import { words } from '@/language/words';
import { SHORTCUTS } from '@/setupView/shortcuts';
import { useActions, useKeeper } from '@/store/application';
import type { ThemeChoice } from '@/store/deviceSlice';
import { selectGear } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ChoiceList } from '@/ui/ChoiceList';
import { Screen } from '@/shell/Screen';
import { UpdateOffer } from '@/shell/UpdateOffer';
import { Heading, Txt } from '@/ui/Txt';
import { ScrollView } from 'react-native';

import { TastePart } from '@/features/review/TastePart';
import { BackupPart } from './BackupPart';
import { DevicePart } from './DevicePart';
import { keepOrderSchema, LOOK_WAY_IDS } from '@sphene/core/gear';

/** The orders that people work by; the first dial is kept, the last gives way first. */
const ORDERS = [
  { value: 'aperture,iso,shutter', label: texts.aperture, note: texts.thenIsoTheShutterGives },
  { value: 'aperture,shutter,iso', label: texts.apertureShutter, note: texts.theIsoGivesWayFirst },
  { value: 'shutter,iso,aperture', label: texts.shutter, note: texts.thenIsoTheApertureGives },
  { value: 'iso,aperture,shutter', label: 'ISO', note: texts.thenApertureTheShutterGives },
];

/** How this person counts, how this device looks, and the list of shortcuts. */
export function SettingsScreen() {
  const actions = useActions();
  const keeper = useKeeper();
  const { preferences } = useAppSelector(selectGear);
  const theme = useAppSelector((state) => state.device.theme);
  return (
    <Screen title={texts.settings} up="/">
      <ScrollView contentContainerStyle={{ padding: 16, gap: 24, maxWidth: 560, width: '100%', alignSelf: 'center' }}>
        <UpdateOffer />
        <ChoiceList<ThemeChoice>
          label={texts.themeOnThisDevice}
          value={theme}
          onChoose={(choice) => keeper.keepTheme(choice)}
          choices={[
            { value: 'system', label: texts.asTheDevice },
            { value: 'glare', label: texts.glare, note: texts.forBrightSun },
            { value: 'dark', label: texts.dark, note: texts.forDusk },
            { value: 'dim', label: texts.dim, note: texts.sparesNightVision },
          ]}
        />
        <ChoiceList
          label={texts.theHandMeterShows}
          value={preferences.meterIncrement}
          onChoose={(meterIncrement) => actions.setPreferences({ meterIncrement })}
          choices={[
            { value: 'tenth', label: texts.tenths, note: 'f/5.6⁴' },
            { value: 'third', label: texts.thirds, note: 'f/6.3' },
            { value: 'half', label: texts.halves, note: 'f/6.7' },
          ]}
        />
        <ChoiceList
          label={texts.distancesIn}
          value={preferences.distanceUnit}
          onChoose={(distanceUnit) => actions.setPreferences({ distanceUnit })}
          choices={[
            { value: 'm', label: texts.metres },
            { value: 'ft', label: texts.feet },
          ]}
        />
        <ChoiceList
          label={texts.youSayTheLookAs}
          value={preferences.lookWay}
          onChoose={(lookWay) => actions.setPreferences({ lookWay })}
          choices={LOOK_WAY_IDS.map((id) => ({
            value: id,
            label: words.lookWay(id).name,
            note: words.lookWay(id).example,
          }))}
        />
        <ChoiceList
          label={texts.aNewSetupKeepsFirst}
          value={preferences.keepOrder.join()}
          onChoose={(order) => {
            const read = keepOrderSchema.safeParse(order.split(','));
            if (read.success) actions.setPreferences({ keepOrder: read.data });
          }}
          choices={ORDERS}
        />
        <ChoiceList
          label={texts.mainsForLampsThatFlicker}
          value={String(preferences.mainsHz)}
          onChoose={(hz) => actions.setPreferences({ mainsHz: hz === '60' ? 60 : 50 })}
          choices={[
            { value: '50', label: '50 Hz' },
            { value: '60', label: '60 Hz' },
          ]}
        />
        <DevicePart />
        <TastePart />
        <BackupPart />
        <Heading>{texts.keys}</Heading>
        {SHORTCUTS.map(({ keys, does }) => (
          <Txt key={keys}>
            <Txt bold>{keys}</Txt> {does}
          </Txt>
        ))}
      </ScrollView>
    </Screen>
  );
}
