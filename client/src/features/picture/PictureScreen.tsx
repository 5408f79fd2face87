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
import { useWide } from '@/ui/useWide';
import { useLocalSearchParams } from 'expo-router';
import { memo, useRef, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';

import type { PictureOf, Showing } from '@sphene/core/picture';
import type { Picture as Developed } from '@sphene/core/renderer';
import { ComparePicture } from './ComparePicture';
import { HoldButton } from './HoldButton';
import { PictureCanvas } from './PictureCanvas';
import { PictureProgress } from './PictureProgress';
import { PowerSliders } from './PowerSliders';
import { countsOf } from './countsOf';
import { savePicture } from './savePicture';
import { usePicture } from './usePicture';

const PLAIN: readonly { value: string; label: string }[] = [
  { value: 'all', label: texts.allLight },
  { value: 'ambient', label: texts.ambient },
  { value: 'flash', label: texts.flash },
];
const showingOf = (value: string): Showing =>
  value === 'all' || value === 'ambient' || value === 'flash' ? value : { only: value };
/** What was drawn last, what is held against it, and its counts once it rests. */
function useDrawn() {
  const { setup } = useSetup();
  const numbers = useNumbers();
  const dispatch = useAppDispatch();
  const [before, setBefore] = useState<ImageData | null>(null);
  const [counts, setCounts] = useState<ReturnType<typeof countsOf> | null>(null);
  const shown = useRef<Developed | null>(null);
  const counting = useRef(0);
  return {
    before,
    counts,
    drawn: (developed: Developed) => {
      shown.current = developed;
      // counted once it rests: the histogram must not slow the thumb down
      clearTimeout(counting.current);
      counting.current = setTimeout(() => setCounts(countsOf(developed)), 120);
    },
    keepBefore: () => {
      const { current } = shown;
      if (current !== null) setBefore(new ImageData(current.rgba.slice(), current.width, current.height));
    },
    save: () => {
      const { current } = shown;
      if (current !== null)
        savePicture(current, setup, numbers).catch(() => dispatch(noticed({ text: texts.couldNotBeSaved })));
    },
  };
}
type Drawn = ReturnType<typeof useDrawn>;

/** Which light is seen, and what lies over the picture. */
function useShown() {
  const [light, setLight] = useState('all');
  const [overlays, setOverlays] = useState<string[]>(['tones']);
  const [held, setHeld] = useState(false);
  return { light, setLight, overlays, setOverlays, held, setHeld };
}
type Shown = ReturnType<typeof useShown>;

/** The picture itself, as large as there is room. */
function LargePicture({ picture, shown, drawn }: { picture: PictureOf; shown: Shown; drawn: Drawn }) {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const wide = useWide();
  const window = useWindowDimensions();
  const { light, overlays, held } = shown;
  const room = wide ? Math.min(720, window.width - 520) : window.width - 32;
  const widthPx = Math.floor(Math.min(room, ((window.height - (wide ? 150 : 300)) * picture.width) / picture.height));
  return (
    <View style={{ alignItems: 'center', gap: 4 }}>
      <PictureCanvas
        setup={setup}
        kit={kit}
        numbers={numbers}
        picture={picture}
        widthPx={widthPx}
        showing={showingOf(light)}
        marks={overlays.includes('marks')}
        flat={overlays.includes('flat')}
        tones={overlays.includes('tones') && !held}
        instead={held ? drawn.before : null}
        name={held ? texts.pictureBefore : texts.pictureTitle}
        onDrawn={drawn.drawn}
      />
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', width: widthPx }}>
        <PictureProgress />
        <Txt size="label" tone="quiet">
          {picture.cropped ? texts.aPartOfTheFrame : texts.theFrame}
        </Txt>
      </View>
    </View>
  );
}

/** A variant that was set aside, beside the picture in force. */
function Compare() {
  const { variants } = useSetup().setup;
  const [compared, setCompared] = useState('none');
  const variant = variants.find(({ id }) => id === compared);
  return (
    <Disclosure
      title={texts.compare}
      summary={variants.length === 0 ? texts.setAVariantAsideFirst : texts.besideAVariant}
    >
      {variants.length === 0 ? (
        <Txt tone="quiet">{texts.setAVariantAside}</Txt>
      ) : (
        <ChoiceList
          label={texts.compareWith}
          value={compared}
          onChoose={setCompared}
          choices={[
            { value: 'none', label: texts.nothing },
            ...variants.map(({ id, name }) => ({ value: id, label: name })),
          ]}
        />
      )}
      {variant !== undefined && <ComparePicture variant={variant} />}
    </Disclosure>
  );
}

/** Everything that shows what the picture is made of. */
function Controls({ picture, shown, drawn }: { picture: PictureOf; shown: Shown; drawn: Drawn }) {
  const { camera } = useNumbers();
  const { before, counts, keepBefore, save } = drawn;
  return (
    <View style={{ gap: 16 }}>
      {camera === null && (
        <Txt role="status" tone="danger">
          {texts.meterTheFaceFirstUntil}
        </Txt>
      )}
      <ChoiceList
        label={texts.show}
        layout="scroll"
        value={shown.light}
        onChoose={shown.setLight}
        choices={[...PLAIN, ...picture.layers.map(({ id, caster }) => ({ value: id, label: words.caster(caster) }))]}
      />
      <ToggleList
        label={texts.onThePicture}
        values={shown.overlays}
        onChange={shown.setOverlays}
        choices={[
          { value: 'tones', label: texts.tones },
          { value: 'marks', label: texts.clippedAndLost },
          { value: 'flat', label: texts.flat },
        ]}
      />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <HoldButton label={texts.holdForBefore} disabled={before === null} onHold={shown.setHeld} />
        <ActionButton label={texts.keepAsBefore} onPress={keepBefore} />
      </View>
      <PowerSliders />
      {counts !== null && <Histogram frame={{ name: texts.thePicture, ...counts }} />}
      <Compare />
      <ActionButton icon="tray-arrow-down" label={texts.saveAsPng} onPress={save} />
      <Txt size="label" tone="quiet">
        {texts.aComputedPictureOfA}
      </Txt>
    </View>
  );
}

const PictureParts = memo(function PictureParts() {
  const { setup } = useSetup();
  const picture = usePicture(setup, useKit(), useNumbers());
  const undo = useUndo(setup.id);
  const wide = useWide();
  const shown = useShown();
  const drawn = useDrawn();
  const canvas = <LargePicture picture={picture} shown={shown} drawn={drawn} />;
  const controls = <Controls picture={picture} shown={shown} drawn={drawn} />;
  return (
    <Screen
      title={texts.pictureTitle}
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
});

/** The picture of a setup, large, with everything that shows what it is made of. */
export function PictureScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { view, ready } = useOpenSetup(id);
  if (view === null)
    return ready ? (
      <NotFoundScreen />
    ) : (
      <Screen title={texts.pictureTitle} up="/">
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
