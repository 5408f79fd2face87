import { texts } from '../texts';
import { words } from '@/language/words';
import { useActivePoint, useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Histogram } from '@/ui/Histogram';
import { Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';

import { colourFromGreyCard } from '@sphene/core/colour';
import type { Frame } from '@sphene/core/documents';
import { frameFights } from '@sphene/core/exposure';
import { linearFromSrgb, type Place } from '@sphene/core/frames';
import { formatAperture, formatIso, formatShutter, formatStops } from '@sphene/core/notation';
import { RightFor, useLooksRight } from '../LooksRight';
import { ToneChooser } from '../MethodChooser';
import { Sampler, type Spot } from './Sampler';

type Tone = Parameters<typeof ToneChooser>[0]['value'];

const FROM: Record<Frame['settingsFrom'], string> = {
  exif: '',
  typed: texts.settingsTyped,
  simulated: texts.simulatedCamera,
};

/** The frame's settings, where they are known from, and the way to strike it out. */
function FrameHead({ frame }: { frame: Frame }) {
  const actions = useActions();
  const { tv, av, sv, name, takenAt, settingsFrom } = frame;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center' }}>
      <View style={{ flex: 1 }}>
        <Txt bold>{`${formatShutter(tv, 'third')}, ${formatAperture(av, 'third')}, ${formatIso(sv)}`}</Txt>
        <Txt size="label" tone="quiet">
          {name}
          {takenAt === null ? '' : texts.takenAt(takenAt.replace('T', ' '))}
          {FROM[settingsFrom]}
        </Txt>
      </View>
      <IconButton
        icon="trash-can-outline"
        name={texts.strikeOutFrame(name)}
        onPress={() => actions.strike('frame', frame.id, true)}
      />
    </View>
  );
}

/** What a place says, in words. */
function sayPlace({ clipped, placementStops }: Place): string {
  const stops = formatStops(placementStops);
  if (clipped) return texts.clippedHereAtLeastStops(stops);
  if (Math.abs(placementStops) < 0.05) return texts.fromMidGrey(stops);
  return placementStops > 0 ? texts.fromMidGreyBrighter(stops) : texts.fromMidGreyDarker(stops);
}

/** The colour of the ambient, where a grey card lies at the place that was tapped. */
function CardColour({ place }: { place: Place }) {
  const { setup } = useSetup();
  const { colour: solved } = useNumbers();
  const { changeOne } = useChange();
  const pointId = useActivePoint();
  const white = solved.whiteBalance;
  // against the white balance that the picture was made with
  const [red, green, blue] = place.level;
  const colour = place.clipped
    ? undefined
    : colourFromGreyCard([linearFromSrgb(red), linearFromSrgb(green), linearFromSrgb(blue)], white);
  if (colour === undefined) return null;
  const { kelvin, greenCc } = colour;
  const tint = Math.abs(Math.round(greenCc));
  const tinted = greenCc > 0 ? texts.greenBy(tint) : texts.magentaBy(tint);
  const take = () =>
    changeOne('colour.ambient', [
      ...setup.colour.ambient.filter((one) => one.pointId !== pointId),
      { pointId, kelvin: Math.round(kelvin), greenCc: Number(greenCc.toFixed(1)), from: 'frame' },
    ]);
  return (
    <View style={{ gap: 4 }}>
      <Txt size="label" tone="quiet">
        {texts.asAGreyCard(
          words.kelvin(white),
          `${Math.round(kelvin / 50) * 50} K${Math.abs(greenCc) < 1 ? '' : tinted}`,
        )}
      </Txt>
      <ActionButton label={texts.takeItsColourFor(pointName(setup, pointId))} onPress={take} />
    </View>
  );
}

const pointName = ({ points }: { points: readonly { id: string; name: string }[] }, pointId: string): string =>
  points.find(({ id }) => id === pointId)?.name.toLowerCase() ?? texts.thePoint;

/** The tone at a place as a reading of a point. */
function TakePlace({ frame, spot, place, onTaken }: { frame: Frame; spot: Spot; place: Place; onTaken: () => void }) {
  const { setup } = useSetup();
  const { points } = useNumbers();
  const { activatePoint } = useChange();
  const pointId = useActivePoint();
  const actions = useActions();
  const [tone, setTone] = useState<Tone>({ tone: 'pale-skin', toneStops: 1 });
  const take = () => {
    const { av, tv, sv } = frame;
    const { placementStops } = place;
    actions.addReading(setup.id, {
      pointId,
      av,
      tv,
      sv,
      text: texts.stopsIn(formatStops(placementStops), frame.name).slice(0, 60),
      origin: 'frame',
      assumed: ['direction'],
      method: { kind: 'frame', frameId: frame.id, x: spot.x, y: spot.y, placementStops, ...tone },
    });
    activatePoint(null);
    onTaken();
  };
  return (
    <>
      <ToneChooser value={tone} onChange={setTone} />
      <ChoiceList
        label={texts.asAReadingOf}
        layout="scroll"
        value={pointId}
        onChoose={activatePoint}
        choices={points.map((point) => ({ value: point.pointId, label: point.name }))}
      />
      <ActionButton label={texts.takeItFor(pointName(setup, pointId))} kind="primary" onPress={take} />
      <CardColour place={place} />
    </>
  );
}

/** What the camera did by itself, and what the frame's settings are good for. */
function OfTheCamera({ frame }: { frame: Frame }) {
  const { setup } = useSetup();
  const { camera } = useNumbers();
  const { changeOne } = useChange();
  const looksRight = useLooksRight();
  const [what, setWhat] = useState<Parameters<typeof looksRight>[1] | null>(null);
  const { av, tv, sv } = frame;
  return (
    <View style={{ gap: 8 }}>
      {frameFights(frame, camera, setup.lights.length > 0).map((fight) => (
        <Txt key={fight.kind} tone="danger">
          {words.frameFight(fight)}
        </Txt>
      ))}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton
          label={texts.theCameraStandsSo}
          onPress={() => changeOne('camera.stands', { av, tv, sv, inForce: true })}
        />
        <ActionButton
          label={texts.theseOfTheFrameLookRight}
          onPress={() => setWhat(what === null ? 'background' : null)}
        />
      </View>
      {what !== null && (
        <>
          <RightFor value={what} onChoose={setWhat} />
          <ActionButton
            label={texts.takeTheseSettings}
            onPress={() => {
              looksRight(frame, what);
              setWhat(null);
            }}
          />
        </>
      )}
    </View>
  );
}

/** One test frame: its settings, its histogram, and any place of it as a reading of a point. */
export function FrameView({ frame }: { frame: Frame }) {
  const [spot, setSpot] = useState<Spot | null>(null);
  const place = spot?.place ?? null;
  return (
    <View role="group" aria-label={texts.frame(frame.name)} style={{ gap: 8 }}>
      <FrameHead frame={frame} />
      <OfTheCamera frame={frame} />
      <Sampler frame={frame} spot={spot} onSpot={setSpot} />
      {spot === null && <Txt tone="quiet">{texts.tapAPlaceInThe}</Txt>}
      {spot !== null && (
        <Txt role="status" bold={place !== null}>
          {place === null ? texts.metering : sayPlace(place)}
        </Txt>
      )}
      {spot !== null && place !== null && (
        <TakePlace frame={frame} spot={spot} place={place} onTaken={() => setSpot(null)} />
      )}
      <Histogram frame={frame} />
    </View>
  );
}
