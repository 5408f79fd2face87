import { texts } from './texts';
import { SmallPicture } from '@/features/picture/SmallPicture';
import { nextText } from '@/setupView/lent';
import { selectKit, selectNumbers } from '@/setupView/selectSolution';
import { useNextText } from '@/shell/work';
import { type RootState, useAppSelector } from '@/store/store';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';

import type { Setup } from '@sphene/core/setup';
import type { SolutionNumbers } from '@sphene/core/solution';

/** What is dialled for a setup, in two short lines; nothing before a camera follows from its readings. */
function DialsOf({ numbers }: { numbers: SolutionNumbers }) {
  if (numbers.camera === null) return null;
  const { shutter, aperture, iso } = numbers.camera.text;
  const powers = numbers.lights.map((light) => `${light.group} ${light.powerText ?? texts.off}`).join('  ');
  return (
    <View>
      <Txt bold numberOfLines={1}>
        {[shutter, aperture, iso.replace('ISO ', '')].join('  ')}
      </Txt>
      {powers !== '' && (
        <Txt bold tone="flash" numberOfLines={1}>
          {powers}
        </Txt>
      )}
    </View>
  );
}

/** The numbers of a setup that is listed; undefined while its readings are not all there. */
function useNumbersOf(id: string) {
  const ready = (state: RootState) => state.documents.factsReady;
  const kit = useAppSelector((state) => selectKit(state, id));
  const numbers = useAppSelector((state) => (ready(state) ? selectNumbers(state, id) : undefined));
  const next = useAppSelector((state) => (ready(state) ? nextText(state, id) : undefined));
  return { kit, numbers, next };
}

interface SetupFaceProps {
  setup: Setup;
  spotTitle?: string;
  /** how wide and high its picture may be */
  widthPx: number;
  /** what is said of it stands beside its picture, not under it */
  across?: boolean;
}

/** What a setup looks like among others: its picture, what is dialled, and what is to do next there. */
export function SetupFace({ setup, spotTitle, widthPx, across = false }: SetupFaceProps) {
  const palette = usePalette();
  const { kit, numbers, next } = useNumbersOf(setup.id);
  const heightPx = widthPx;
  return (
    <View style={across ? { flexDirection: 'row', gap: 16 } : { width: widthPx, gap: 4 }}>
      <View
        style={{
          width: widthPx,
          height: heightPx,
          backgroundColor: palette.raised,
          alignItems: 'center',
          justifyContent: 'center',
          overflow: 'hidden',
        }}
      >
        {numbers === undefined || numbers.camera === null ? (
          <Txt size="label" tone="quiet">
            {texts.notMeteredYet}
          </Txt>
        ) : (
          <SmallPicture
            setup={setup}
            kit={kit}
            numbers={numbers}
            roomPx={{ width: widthPx, height: heightPx }}
            name={texts.pictureOf(setup.title)}
          />
        )}
      </View>
      <View style={{ gap: 4, flexShrink: 1, justifyContent: 'center' }}>
        {spotTitle !== undefined && (
          <Txt size="label" tone="quiet" numberOfLines={1}>
            {spotTitle}
          </Txt>
        )}
        <Txt bold numberOfLines={2}>
          {setup.title}
        </Txt>
        {numbers !== undefined && <DialsOf numbers={numbers} />}
        {next !== undefined && (
          <Txt size="label" tone="quiet" numberOfLines={2}>
            {next}
          </Txt>
        )}
      </View>
    </View>
  );
}

/** A setup among others, to be opened. */
export function SetupCard({ setup, widthPx }: { setup: Setup; widthPx: number }) {
  const router = useRouter();
  const next = useNextText(setup.id);
  return (
    <Pressable
      role="link"
      aria-label={[setup.title, next].filter(Boolean).join(', ')}
      onPress={() => router.navigate({ pathname: '/setup/[id]', params: { id: setup.id } })}
      style={({ pressed }) => ({ opacity: pressed ? 0.7 : 1 })}
    >
      <SetupFace setup={setup} widthPx={widthPx} />
    </Pressable>
  );
}
