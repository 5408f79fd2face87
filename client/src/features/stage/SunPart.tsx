import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { selectDocument } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Txt } from '@/ui/Txt';
import { NumberDial, SideDial } from '@/ui/dials';
import { useState } from 'react';
import { View } from 'react-native';

import { seenSun } from '@sphene/core/gain';
import type { Sun } from '@sphene/core/setup';
import { SunDayLine } from './SunDayLine';
import { TimeField } from './TimeField';

type SunBy<B extends Sun['by']> = Extract<Sun, { by: B }>;
/** Where nobody has said a place yet. */
const USUAL_PLACE = { latitudeDeg: 47, longitudeDeg: 10 };
const COORDINATE = { unit: '°', step: 0.1, decimals: 2 };

/** The sun as it starts in each way of saying it: what stands now, and the place of the spot or of another setup of the shoot. */
function useStarts() {
  const { setup } = useSetup();
  const { stage } = useNumbers();
  const clockMs = useAppSelector((state) => state.device.clockMs);
  const shoot = useAppSelector((state) => selectDocument(state, 'shoot', setup.shootId));
  const spot = useAppSelector((state) => selectDocument(state, 'spot', setup.spotId));
  const elsewhere = useAppSelector((state) =>
    Object.values(state.documents.byId).find(
      (one) => one.type === 'setup' && one.shootId === setup.shootId && one.stage?.sun?.by === 'time',
    ),
  );
  const seen = elsewhere?.type === 'setup' && elsewhere.stage.sun?.by === 'time' ? elsewhere.stage.sun : USUAL_PLACE;
  const known = spot?.place ?? seen;
  return {
    timeZone: spot?.timeZone ?? shoot?.timeZone ?? 'UTC',
    /** the sun is seen where it is drawn, at this moment */
    seenNow: ({ sideDeg }: SunBy<'hand'>): Sun | null =>
      seenSun({ latitudeDeg: known.latitudeDeg, longitudeDeg: known.longitudeDeg }, new Date(clockMs), sideDeg),
    startOf: (by: 'none' | Sun['by']): Sun | null => {
      switch (by) {
        case 'none':
          return null;
        case 'hand':
          return {
            by,
            sideDeg: Math.round(stage.sun?.sideDeg ?? 150),
            altitudeDeg: Math.round(Math.max(-10, stage.sun?.altitudeDeg ?? 25)),
          };
        case 'time':
          return {
            by,
            latitudeDeg: known.latitudeDeg,
            longitudeDeg: known.longitudeDeg,
            at: `${shoot?.date ?? '2026-06-01'}T14:00:00Z`,
            cameraLooksDeg: spot?.looksDeg ?? 180,
          };
      }
    },
  };
}

/** The sun as it is drawn; seen there now, it tells which way the camera looks: no compass is needed. */
function SunByHand({ sun, put, now }: { sun: SunBy<'hand'>; put: (sun: Sun) => void; now: () => Sun | null }) {
  const [isDown, setDown] = useState(false);
  const seen = () => {
    const found = now();
    setDown(found === null);
    if (found !== null) put(found);
  };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', gap: 12 }}>
      <SideDial
        label={texts.sunToTheSide}
        value={sun.sideDeg}
        onChange={(sideDeg) => put({ ...sun, sideDeg })}
        note={sun.sideDeg < 0 ? texts.leftOfTheCamera : texts.rightOfTheCamera}
      />
      <NumberDial
        label={texts.sunOverTheHorizon}
        unit="°"
        value={sun.altitudeDeg}
        least={-10}
        most={90}
        step={1}
        decimals={0}
        onChange={(altitudeDeg) => put({ ...sun, altitudeDeg })}
      />
      <ActionButton label={texts.itStandsThereNow} onPress={seen} />
      {isDown && (
        <Txt role="alert" tone="danger">
          {texts.itIsNotUpThere}
        </Txt>
      )}
    </View>
  );
}

function SunByTime({ sun, put, timeZone }: { sun: SunBy<'time'>; put: (sun: Sun) => void; timeZone: string }) {
  return (
    <>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <NumberDial
          {...COORDINATE}
          label={texts.latitude}
          value={sun.latitudeDeg}
          least={-90}
          most={90}
          onChange={(latitudeDeg) => put({ ...sun, latitudeDeg: Number(latitudeDeg.toFixed(4)) })}
          note={sun.latitudeDeg < 0 ? texts.south : texts.north}
        />
        <NumberDial
          {...COORDINATE}
          label={texts.longitude}
          value={sun.longitudeDeg}
          least={-180}
          most={180}
          onChange={(longitudeDeg) => put({ ...sun, longitudeDeg: Number(longitudeDeg.toFixed(4)) })}
          note={sun.longitudeDeg < 0 ? texts.west : texts.east}
        />
        <NumberDial
          label={texts.cameraLooks}
          unit="°"
          value={sun.cameraLooksDeg}
          least={0}
          most={360}
          step={5}
          decimals={0}
          onChange={(cameraLooksDeg) => put({ ...sun, cameraLooksDeg })}
          note={texts.fromNorthThroughEast}
        />
      </View>
      <SunDayLine sun={sun} timeZone={timeZone} onTime={(at) => put({ ...sun, at })} />
      <TimeField at={sun.at} timeZone={timeZone} onChange={(at) => put({ ...sun, at })} />
    </>
  );
}

/** Where the sun stands: by hand, or from place and time. */
export function SunPart() {
  const { setup } = useSetup();
  const { stage } = useNumbers();
  const { changeOne } = useChange();
  const { timeZone, startOf, seenNow } = useStarts();
  const { sun } = setup.stage;
  const put = (next: Sun | null) => changeOne('stage.sun', next);
  return (
    <>
      <ChoiceList
        label={texts.theSun}
        layout="row"
        value={sun === null ? 'none' : sun.by}
        onChoose={(by) => put(startOf(by))}
        choices={[
          { value: 'none', label: texts.noSun },
          { value: 'hand', label: texts.byHand },
          { value: 'time', label: texts.placeAndTime },
        ]}
      />
      {stage.sun !== null && (
        <Txt role="status" bold>
          {words.sun(stage.sun)}
        </Txt>
      )}
      {sun?.by === 'hand' && <SunByHand sun={sun} put={put} now={() => seenNow(sun)} />}
      {sun?.by === 'time' && <SunByTime sun={sun} put={put} timeZone={timeZone} />}
    </>
  );
}
