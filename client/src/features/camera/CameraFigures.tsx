import { texts } from './texts';
import { words } from '@/language/words';
import PathIcon from '@/ui/PathIcon';
import { Txt } from '@/ui/Txt';
import { WhyPanel } from '@/ui/WhyPanel';
import { onSpace } from '@/ui/onSpace';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { useState } from 'react';
import { Pressable, View } from 'react-native';

import type { SettingPath } from '@sphene/core/setup';
import { useAdvice, useChange, useNumbers, useSetup } from '../../setupView/setupContext';

type Figure = 'shutter' | 'aperture' | 'iso';
const PIN: Record<Figure, { path: SettingPath; pin: 'tv' | 'av' | 'sv'; name: string }> = {
  shutter: { path: 'camera.pins.tv', pin: 'tv', name: texts.shutter },
  aperture: { path: 'camera.pins.av', pin: 'av', name: texts.aperture },
  iso: { path: 'camera.pins.sv', pin: 'sv', name: 'ISO' },
};

/** What the camera is set to and why: each figure can be asked for its reason, and pinned where it stands. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function CameraFigures() {
  const { setup, context } = useSetup();
  const { camera } = useNumbers();
  const { why } = useAdvice();
  const { changeOne } = useChange();
  const palette = usePalette();
  const [asked, setAsked] = useState<Figure | null>(null);
  if (camera === null) return <Txt>{texts.meterTheFaceAndChoose}</Txt>;
  const figures: [Figure, string, number][] = [
    ['shutter', camera.text.shutter, camera.tv],
    ['aperture', camera.text.aperture, camera.av],
    ['iso', camera.text.iso.replace('ISO ', ''), camera.sv],
  ];
  const chain = asked === null ? undefined : why[asked];
  return (
    <View
      style={{
        gap: 8,
        borderLeftWidth: 3,
        borderLeftColor: camera.met ? palette.accent : palette.danger,
        paddingLeft: 12,
      }}
    >
      <View
        role="group"
        aria-label={texts.cameraSettings(camera.text.shutter, camera.text.aperture, camera.text.iso)}
        style={{ flexDirection: 'row', columnGap: 16, flexWrap: 'wrap' }}
      >
        {figures.map(([figure, text, value]) => {
          const { path, pin, name } = PIN[figure];
          const pinned = setup.camera.pins[pin] !== null;
          const toggle = () => changeOne(path, pinned ? null : value);
          const fixed = figure === 'shutter' && setup.camera.video !== null;
          return (
            <View key={figure}>
              <View style={{ flexDirection: 'row', alignItems: 'center' }}>
                <Txt size="label" tone="quiet">
                  {name}
                </Txt>
                {!fixed && (
                  <Pressable
                    role="switch"
                    aria-checked={pinned}
                    aria-label={texts.pinAt(figure === 'iso' ? 'ISO' : figure, text)}
                    onPress={toggle}
                    {...(onSpace(toggle) as object)}
                    style={{ width: TOUCH, height: TOUCH, alignItems: 'center', justifyContent: 'center' }}
                  >
                    <PathIcon
                      name={pinned ? 'pin' : 'pin-outline'}
                      color={pinned ? palette.accent : palette.quiet}
                      size={20}
                    />
                  </Pressable>
                )}
              </View>
              <Pressable
                role="button"
                aria-expanded={asked === figure}
                aria-label={texts.why(name.toLowerCase(), text)}
                onPress={() => setAsked(asked === figure ? null : figure)}
                style={{ minHeight: TOUCH }}
              >
                <Txt size="figure" bold>
                  {text}
                </Txt>
                <Txt size="label" tone={pinned ? 'accent' : 'quiet'}>
                  {pinned ? 'pinned · why' : 'why'}
                </Txt>
              </Pressable>
            </View>
          );
        })}
      </View>
      {chain !== undefined && <WhyPanel why={words.why(chain, context)} />}
      {camera.text.filters !== null && <Txt bold>{camera.text.filters}</Txt>}
      <Txt tone={camera.met ? 'quiet' : 'danger'}>{words.cameraReason(camera)}</Txt>
    </View>
  );
}
