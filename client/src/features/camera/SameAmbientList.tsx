import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useSetup } from '@/setupView/setupContext';
import { selectFacts } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useMemo } from 'react';
import { View } from 'react-native';

import { type SameAmbient, sameAmbient } from '@sphene/core/explain';
import { formatDistance, formatStopCount } from '@sphene/core/notation';

/** What other settings for the same ambient bring: depth, noise, and what the flash must do. */
function Brings({ one }: { one: SameAmbient }) {
  const { setup } = useSetup();
  const { distanceUnit } = useKit().preferences;
  const { sharp, isoStops, powers, passes } = one;
  const distance = (metres: number) => formatDistance(metres, distanceUnit);
  const lines = [
    sharp === null
      ? null
      : sharp.farM === null
        ? texts.sharpFrom(distance(sharp.nearM))
        : texts.sharpBetween(distance(sharp.nearM), distance(sharp.farM)),
    isoStops === 0
      ? texts.sameNoise
      : (isoStops > 0 ? texts.noisierBy : texts.cleanerBy)(formatStopCount(Math.abs(isoStops))),
    ...powers.map(({ lightId, powerText }) => {
      const light = setup.lights.find(({ id }) => id === lightId);
      const name = light === undefined ? texts.flash : words.light(light);
      return powerText === null ? texts.outOfReach(name) : texts.flashTo(name, powerText);
    }),
    passes === null ? null : texts.passes[passes],
  ];
  return (
    <Txt size="label" tone="quiet">
      {lines.filter((line) => line !== null).join(' · ')}
    </Txt>
  );
}

/** Other settings that leave the ambient as it is, one tap each. */
export function SameAmbientList() {
  const { setup } = useSetup();
  const kit = useKit();
  const { change } = useChange();
  const palette = usePalette();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const list = useMemo(() => sameAmbient(setup, kit, facts, new Date(clockMs)), [setup, kit, facts, clockMs]);
  if (list.length === 0) return <Txt tone="quiet">{texts.meterTheFaceFirst}</Txt>;
  return (
    <View role="list" aria-label={texts.sameAmbient}>
      {list.map((one) => {
        const said = [one.text.shutter, one.text.aperture, one.text.iso].join(', ');
        return (
          <View
            key={said}
            role="listitem"
            style={{
              flexDirection: 'row',
              alignItems: 'center',
              gap: 8,
              paddingVertical: 6,
              borderTopWidth: 1,
              borderTopColor: palette.raised,
            }}
          >
            <View style={{ flex: 1 }}>
              <Txt bold>{said}</Txt>
              <Brings one={one} />
            </View>
            <ActionButton
              label={texts.setThese}
              name={texts.setTheseTo(said)}
              onPress={() => change(...one.settings)}
            />
          </View>
        );
      })}
    </View>
  );
}
