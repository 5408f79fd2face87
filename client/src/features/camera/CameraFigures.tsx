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
import { useAdvice, useChange, useNumbers, useSetup } from '@/setupView/setupContext';

type Figure = 'shutter' | 'aperture' | 'iso';
/** Each figure's pin, and what it is called: at the head of a column and within a sentence. */
const PIN: Record<Figure, { path: SettingPath; pin: 'tv' | 'av' | 'sv'; name: string; inText: string }> = {
  shutter: { path: 'camera.pins.tv', pin: 'tv', name: texts.shutter, inText: texts.shutterInText },
  aperture: { path: 'camera.pins.av', pin: 'av', name: texts.aperture, inText: texts.apertureInText },
  iso: { path: 'camera.pins.sv', pin: 'sv', name: texts.iso, inText: texts.iso },
};

/** The switch that pins a figure where it stands. */
function Pin({ figure, text, value }: { figure: Figure; text: string; value: number }) {
  const { camera } = useSetup().setup;
  const { changeOne } = useChange();
  const palette = usePalette();
  const { path, pin, inText } = PIN[figure];
  const pinned = camera.pins[pin] !== null;
  const toggle = () => changeOne(path, pinned ? null : value);
  return (
    <Pressable
      role="switch"
      aria-checked={pinned}
      aria-label={texts.pinAt(inText, text)}
      onPress={toggle}
      {...(onSpace(toggle) as object)}
      style={{ width: TOUCH, height: TOUCH, alignItems: 'center', justifyContent: 'center' }}
    >
      <PathIcon name={pinned ? 'pin' : 'pin-outline'} color={pinned ? palette.accent : palette.quiet} size={20} />
    </Pressable>
  );
}

/** One figure: a tap asks for its reason. */
function FigureButton({
  figure,
  text,
  asked,
  onAsk,
}: {
  figure: Figure;
  text: string;
  asked: boolean;
  onAsk: () => void;
}) {
  const { camera } = useSetup().setup;
  const { name, pin } = PIN[figure];
  const pinned = camera.pins[pin] !== null;
  return (
    <Pressable
      role="button"
      aria-expanded={asked}
      aria-label={texts.why(name.toLowerCase(), text)}
      onPress={onAsk}
      style={{ minHeight: TOUCH }}
    >
      <Txt size="figure" bold>
        {text}
      </Txt>
      <Txt size="label" tone={pinned ? 'accent' : 'quiet'}>
        {pinned ? texts.pinnedWhy : texts.whyInText}
      </Txt>
    </Pressable>
  );
}

/** What the camera is set to and why: each figure can be asked for its reason, and pinned where it stands. */
export function CameraFigures() {
  const { setup, context } = useSetup();
  const { camera } = useNumbers();
  const { why } = useAdvice();
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
        {figures.map(([figure, text, value]) => (
          <View key={figure}>
            <View style={{ flexDirection: 'row', alignItems: 'center' }}>
              <Txt size="label" tone="quiet">
                {PIN[figure].name}
              </Txt>
              {(figure !== 'shutter' || setup.camera.video === null) && (
                <Pin figure={figure} text={text} value={value} />
              )}
            </View>
            <FigureButton
              figure={figure}
              text={text}
              asked={asked === figure}
              onAsk={() => setAsked(asked === figure ? null : figure)}
            />
          </View>
        ))}
      </View>
      {chain !== undefined && <WhyPanel why={words.why(chain, context)} />}
      {camera.text.filters !== null && <Txt bold>{camera.text.filters}</Txt>}
      <Txt tone={camera.met ? 'quiet' : 'danger'}>{words.cameraReason(camera)}</Txt>
    </View>
  );
}
