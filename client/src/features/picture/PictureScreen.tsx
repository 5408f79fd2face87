import { texts } from './texts';
import { useUndo } from '@/setupView/useUndo';
import { Histogram } from '@/ui/Histogram';
import { NotFoundScreen } from '@/shell/NotFoundScreen';
import { words } from '@/language/words';
import { SetupProvider, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useOpenSetup } from '@/setupView/useOpenSetup';
import { noticed } from '@/store/deviceSlice';
import { useAppDispatch } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { Screen } from '@/shell/Screen';
import { ToggleList } from '@/ui/ToggleList';
import { Txt } from '@/ui/Txt';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { useWide } from '@/ui/useWide';
import { useLocalSearchParams } from 'expo-router';
import { useRef, useState } from 'react';
import { Pressable, ScrollView, useWindowDimensions, View } from 'react-native';

import type { Frame } from '@sphene/core/documents';
import type { Showing } from '@sphene/core/picture';
import type { Picture as Developed } from '@sphene/core/renderer';
import { ComparePicture } from './ComparePicture';
import { PictureCanvas } from './PictureCanvas';
import { PictureProgress } from './PictureProgress';
import { PowerSliders } from './PowerSliders';
import { savePicture } from './savePicture';
import { usePicture } from './usePicture';

const PLAIN: readonly { value: string; label: string }[] = [
  { value: 'all', label: texts.allLight },
  { value: 'ambient', label: texts.ambient },
  { value: 'flash', label: texts.flash },
];
const showingOf = (value: string): Showing =>
  value === 'all' || value === 'ambient' || value === 'flash' ? value : { only: value };
const BINS = 64;

/** A picture's histogram as frames have theirs. */
function countsOf({ histogram, width, height }: Developed): Pick<Frame, 'histogram' | 'clipped'> {
  const channel = (at: number) =>
    Array.from({ length: BINS }, (_, bin) => {
      let sum = 0;
      for (let i = 0; i < 256 / BINS; i += 1) sum += histogram[at * 256 + bin * (256 / BINS) + i] ?? 0;
      return sum;
    });
  const share = (at: number, tone: number) => (histogram[at * 256 + tone] ?? 0) / (width * height);
  return {
    histogram: { red: channel(0), green: channel(1), blue: channel(2) },
    clipped: {
      highlights: [share(0, 255), share(1, 255), share(2, 255)],
      shadows: [share(0, 0), share(1, 0), share(2, 0)],
    },
  };
}

/** A button that acts as long as it is held. */
function HoldButton({
  label,
  disabled,
  onHold,
}: {
  label: string;
  disabled: boolean;
  onHold: (held: boolean) => void;
}) {
  const palette = usePalette();
  const keys = {
    onKeyDown: (event: { key: string; preventDefault: () => void }) => {
      if (event.key === ' ' || event.key === 'Enter') {
        event.preventDefault();
        onHold(true);
      }
    },
    onKeyUp: () => onHold(false),
    onBlur: () => onHold(false),
  };
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-disabled={disabled}
      disabled={disabled}
      onPressIn={() => onHold(true)}
      onPressOut={() => onHold(false)}
      {...keys}
      style={
        {
          minHeight: TOUCH,
          flexGrow: 1,
          borderWidth: 1,
          borderColor: palette.line,
          borderRadius: 4,
          alignItems: 'center',
          justifyContent: 'center',
          paddingHorizontal: 12,
          opacity: disabled ? 0.55 : 1,
          userSelect: 'none',
        } as object
      }
    >
      <Txt bold>{label}</Txt>
    </Pressable>
  );
}

// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
function PictureParts() {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const undo = useUndo(setup.id);
  const dispatch = useAppDispatch();
  const wide = useWide();
  const window = useWindowDimensions();
  const picture = usePicture(setup, kit, numbers);
  const [showing, setShowing] = useState('all');
  const [overlays, setOverlays] = useState<string[]>(['tones']);
  const [before, setBefore] = useState<ImageData | null>(null);
  const [held, setHeld] = useState(false);
  const [counts, setCounts] = useState<ReturnType<typeof countsOf> | null>(null);
  const [compared, setCompared] = useState('none');
  const shown = useRef<Developed | null>(null);
  const counting = useRef(0);
  const drawn = (developed: Developed) => {
    shown.current = developed;
    // counted once it rests: the histogram must not slow the thumb down
    clearTimeout(counting.current);
    counting.current = setTimeout(() => setCounts(countsOf(developed)), 120) as unknown as number;
  };
  const keepBefore = () => {
    const { current } = shown;
    if (current !== null) setBefore(new ImageData(current.rgba.slice(), current.width, current.height));
  };
  const save = () => {
    const { current } = shown;
    if (current !== null)
      savePicture(current, setup, numbers).catch(() => dispatch(noticed({ text: texts.thePictureCouldNotBe2 })));
  };
  const room = wide ? Math.min(720, window.width - 520) : window.width - 32;
  const widthPx = Math.floor(Math.min(room, ((window.height - (wide ? 150 : 300)) * picture.width) / picture.height));
  const version = setup.versions.find(({ id }) => id === compared);
  const canvas = (
    <View style={{ alignItems: 'center', gap: 4 }}>
      <PictureCanvas
        setup={setup}
        kit={kit}
        numbers={numbers}
        picture={picture}
        widthPx={widthPx}
        showing={showingOf(showing)}
        marks={overlays.includes('marks')}
        tones={overlays.includes('tones') && !held}
        instead={held ? before : null}
        name={held ? texts.pictureBefore : texts.picture3}
        onDrawn={drawn}
      />
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', width: widthPx }}>
        <PictureProgress />
        <Txt size="label" tone="quiet">
          {picture.cropped ? texts.aPartOfTheFrame : texts.theFrame}
        </Txt>
      </View>
    </View>
  );
  const controls = (
    <View style={{ gap: 16 }}>
      {numbers.camera === null && (
        <Txt role="status" tone="danger">
          {texts.meterTheFaceFirstUntil}
        </Txt>
      )}
      <ChoiceList
        label={texts.show}
        layout="scroll"
        value={showing}
        onChoose={setShowing}
        choices={[...PLAIN, ...picture.layers.map(({ id, caster }) => ({ value: id, label: words.caster(caster) }))]}
      />
      <ToggleList
        label={texts.onThePicture}
        values={overlays}
        onChange={setOverlays}
        choices={[
          { value: 'tones', label: texts.tones },
          { value: 'marks', label: texts.clippedAndLost },
        ]}
      />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <HoldButton label={texts.holdForBefore} disabled={before === null} onHold={setHeld} />
        <ActionButton label={texts.keepAsBefore} onPress={keepBefore} />
      </View>
      <PowerSliders />
      {counts !== null && <Histogram frame={{ name: texts.thePicture, ...counts }} />}
      <Disclosure
        title={texts.compare}
        summary={setup.versions.length === 0 ? texts.setALookAsideFirst : texts.besideALookThatWas}
      >
        {setup.versions.length === 0 ? (
          <Txt tone="quiet">{texts.setTheLookAndCamera}</Txt>
        ) : (
          <ChoiceList
            label={texts.compareWith}
            value={compared}
            onChoose={setCompared}
            choices={[
              { value: 'none', label: texts.nothing },
              ...setup.versions.map(({ id, name }) => ({ value: id, label: name })),
            ]}
          />
        )}
        {version !== undefined && <ComparePicture picture={picture} version={version} />}
      </Disclosure>
      <ActionButton icon="tray-arrow-down" label={texts.saveAsPng} onPress={save} />
      <Txt size="label" tone="quiet">
        {texts.aComputedPictureOfA}
      </Txt>
    </View>
  );
  return (
    <Screen
      title={texts.picture3}
      place={setup.title}
      up={`/setup/${setup.id}`}
      actions={<IconButton icon="undo" name={texts.takeTheLastThingBack} onPress={undo} />}
    >
      {wide ? (
        <View
          style={{
            flex: 1,
            flexDirection: 'row',
            gap: 24,
            padding: 24,
            maxWidth: 1440,
            width: '100%',
            alignSelf: 'center',
          }}
        >
          <View style={{ flex: 1 }}>{canvas}</View>
          <ScrollView role="region" aria-label={texts.pictureControls} tabIndex={0} style={{ width: 420, flexGrow: 0 }}>
            {controls}
          </ScrollView>
        </View>
      ) : (
        <ScrollView
          role="region"
          aria-label={texts.pictureAndControls}
          tabIndex={0}
          style={{ flex: 1 }}
          contentContainerStyle={{ padding: 16, gap: 12 }}
        >
          {canvas}
          {controls}
        </ScrollView>
      )}
    </Screen>
  );
}

/** The picture of a setup, large, with everything that shows what it is made of. */
export function PictureScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { view, ready } = useOpenSetup(id);
  if (view === null)
    return ready ? (
      <NotFoundScreen />
    ) : (
      <Screen title={texts.picture3} up="/">
        <Txt role="status" tone="quiet" style={{ padding: 16 }}>
          {texts.openingTheSetup}
        </Txt>
      </Screen>
    );
  return (
    <SetupProvider view={view}>
      <PictureParts key={view.open.setup.id} />
    </SetupProvider>
  );
}
