import { texts } from '../texts';
import { words } from '@/language/words';
import { useActivePoint, useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { placeInFrame } from '@/workers/frameWorker';
import { useState } from 'react';
import { Image, Pressable, View } from 'react-native';

import { colourFromGreyCard } from '@sphene/core/colour';
import type { Frame } from '@sphene/core/documents';
import { linearFromSrgb, type Place } from '@sphene/core/frames';
import { formatAperture, formatIso, formatShutter, formatStops } from '@sphene/core/notation';
import { ToneChooser } from '../MethodChooser';
import { Histogram } from '@/ui/Histogram';

interface Spot {
  x: number;
  y: number;
  place: Place | null;
}

const KEY_STEP = 0.02;
const KEYS: Record<string, [number, number]> = {
  ArrowLeft: [-KEY_STEP, 0],
  ArrowRight: [KEY_STEP, 0],
  ArrowUp: [0, -KEY_STEP],
  ArrowDown: [0, KEY_STEP],
};
const clamp = (share: number) => Math.min(1, Math.max(0, share));

/** The picture with the place that was tapped; arrow keys move it. */
function Sampler({ frame, spot, onSpot }: { frame: Frame; spot: Spot | null; onSpot: (spot: Spot) => void }) {
  const palette = usePalette();
  const [width, setWidth] = useState(1);
  const height = (width * frame.heightPx) / frame.widthPx;
  const sample = (x: number, y: number) => {
    onSpot({ x, y, place: null });
    void placeInFrame(frame.image, x, y).then((place) => onSpot({ x, y, place }));
  };
  const keys = {
    onKeyDown: (event: { key: string; preventDefault: () => void }) => {
      const by = KEYS[event.key];
      if (by === undefined) return;
      event.preventDefault();
      sample(clamp((spot?.x ?? 0.5) + by[0]), clamp((spot?.y ?? 0.5) + by[1]));
    },
  };
  return (
    <Pressable
      role="button"
      aria-label={texts.meterAPlaceInArrow(frame.name)}
      {...(keys as object)}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      onPress={({ nativeEvent }) => {
        // in the browser a press is the click itself; one made by a key has no place and meters where the mark is
        const { offsetX, offsetY, detail = 0 } = nativeEvent as unknown as Partial<MouseEvent>;
        if (offsetX !== undefined && offsetY !== undefined && detail > 0)
          sample(clamp(offsetX / width), clamp(offsetY / height));
        else sample(spot?.x ?? 0.5, spot?.y ?? 0.5);
      }}
    >
      <View style={{ pointerEvents: 'none', outlineWidth: 1, outlineStyle: 'solid', outlineColor: palette.line }}>
        <Image
          source={{ uri: frame.image }}
          style={{ width: '100%', aspectRatio: frame.widthPx / frame.heightPx }}
          accessibilityIgnoresInvertColors
        />
        {spot !== null && (
          <View
            style={{
              position: 'absolute',
              left: spot.x * width - 14,
              top: spot.y * height - 14,
              width: 28,
              height: 28,
              borderWidth: 3,
              borderColor: palette.ground,
            }}
          >
            <View style={{ flex: 1, borderWidth: 2, borderColor: palette.accent }} />
          </View>
        )}
      </View>
    </Pressable>
  );
}

/** One test frame: its settings, its histogram, and any place of it as a reading of a point. */
// eslint-disable-next-line complexity, max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function FrameView({ frame }: { frame: Frame }) {
  const { setup } = useSetup();
  const numbers = useNumbers();
  const activePointId = useActivePoint();
  const { activatePoint, changeOne } = useChange();
  const actions = useActions();
  const [spot, setSpot] = useState<Spot | null>(null);
  const [tone, setTone] = useState<Parameters<typeof ToneChooser>[0]['value']>({ tone: 'pale-skin', toneStops: 1 });
  const place = spot?.place ?? null;
  const point = setup.points.find(({ id }) => id === activePointId);
  const settings = `${formatShutter(frame.tv, 'third')}, ${formatAperture(frame.av, 'third')}, ${formatIso(frame.sv)}`;
  const take = () => {
    if (spot === null || place === null) return;
    const { av, tv, sv } = frame;
    actions.addReading(setup.id, {
      pointId: activePointId,
      av,
      tv,
      sv,
      text: `${formatStops(place.placementStops)} in ${frame.name}`.slice(0, 60),
      origin: 'frame',
      assumed: ['direction'],
      method: { kind: 'frame', frameId: frame.id, x: spot.x, y: spot.y, placementStops: place.placementStops, ...tone },
    });
    activatePoint(null);
    setSpot(null);
  };
  // a grey card in the ambient alone tells its colour against the white balance that the picture was made with
  const white = numbers.colour.whiteBalance;
  const colour =
    place === null || place.clipped
      ? undefined
      : colourFromGreyCard(
          [linearFromSrgb(place.level[0]), linearFromSrgb(place.level[1]), linearFromSrgb(place.level[2])],
          white,
        );
  const takeColour = () => {
    if (colour !== undefined)
      changeOne('colour.ambient', [
        ...setup.colour.ambient.filter(({ pointId }) => pointId !== activePointId),
        {
          pointId: activePointId,
          kelvin: Math.round(colour.kelvin),
          greenCc: Number(colour.greenCc.toFixed(1)),
          from: 'frame',
        },
      ]);
  };
  return (
    <View role="group" aria-label={texts.frame(frame.name)} style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <View style={{ flex: 1 }}>
          <Txt bold>{settings}</Txt>
          <Txt size="label" tone="quiet">
            {frame.name}
            {frame.takenAt === null ? '' : `, taken ${frame.takenAt.replace('T', ' ')} by the camera's clock`}
            {frame.settingsFrom === 'typed'
              ? texts.settingsTyped
              : frame.settingsFrom === 'simulated'
                ? texts.simulatedCamera
                : ''}
          </Txt>
        </View>
        <IconButton
          icon="trash-can-outline"
          name={texts.strikeOutFrame(frame.name)}
          onPress={() => actions.strike('frame', frame.id, true)}
        />
      </View>
      <Sampler frame={frame} spot={spot} onSpot={setSpot} />
      {spot === null ? (
        <Txt tone="quiet">{texts.tapAPlaceInThe}</Txt>
      ) : place === null ? (
        <Txt role="status">{texts.metering}</Txt>
      ) : (
        <Txt role="status" bold>
          {place.clipped
            ? texts.clippedHereAtLeastStops(formatStops(place.placementStops))
            : texts.stopsFromMidGrey(formatStops(place.placementStops)) +
              `here${Math.abs(place.placementStops) < 0.05 ? '' : place.placementStops > 0 ? ', brighter' : ', darker'}.`}
        </Txt>
      )}
      {place !== null && (
        <>
          <ToneChooser value={tone} onChange={setTone} />
          <ChoiceList
            label={texts.asAReadingOf}
            layout="scroll"
            value={activePointId}
            onChoose={activatePoint}
            choices={numbers.points.map(({ pointId, name }) => ({ value: pointId, label: name }))}
          />
          <ActionButton
            label={`Take it for ${point?.name.toLowerCase() ?? texts.thePoint}`}
            kind="primary"
            onPress={take}
          />
          {colour !== undefined && (
            <View style={{ gap: 4 }}>
              <Txt size="label" tone="quiet">
                As a grey card in the ambient, in a frame made at {words.kelvin(white)}:{' '}
                {Math.round(colour.kelvin / 50) * 50} K
                {Math.abs(colour.greenCc) < 1
                  ? ''
                  : `, ${colour.greenCc > 0 ? 'green' : 'magenta'} ${Math.abs(Math.round(colour.greenCc))}`}
                .
              </Txt>
              <ActionButton
                label={`Take its colour for ${point?.name.toLowerCase() ?? texts.thePoint}`}
                onPress={takeColour}
              />
            </View>
          )}
        </>
      )}
      <Histogram frame={frame} />
    </View>
  );
}
