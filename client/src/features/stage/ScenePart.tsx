import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { selectDocument } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { ToggleList } from '@/ui/ToggleList';
import { Txt } from '@/ui/Txt';
import { DistanceDial, HeightDial, NumberDial, SideDial } from '@/ui/dials';
import { useState } from 'react';
import { View } from 'react-native';

import { formatDistance } from '@sphene/core/notation';
import { BACKGROUNDS, GROUNDS, type Subject, type Sun } from '@sphene/core/setup';
import { companions } from '@sphene/core/stage';
import { TimeField } from './TimeField';
import { sayOthers } from './things';

const capital = (word: string) => word.replace(/^./, (letter) => letter.toUpperCase());
const choices = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: capital(value) }));
const WORN = [
  { value: 'hat', label: texts.hat },
  { value: 'spectacles', label: texts.spectacles },
  { value: 'deepSet', label: texts.deepSetEyes },
] as const;

/** Who stands there: what light does differently on them. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
function SubjectPart() {
  const { setup } = useSetup();
  const kit = useKit();
  const { changeOne } = useChange();
  const { subject } = setup.stage;
  const put = (change: Partial<Subject>) => changeOne('stage.subject', { ...subject, ...change });
  const unit = kit.preferences.distanceUnit;
  return (
    <>
      <ToggleList
        label={texts.wearsAndHas}
        values={WORN.map(({ value }) => value).filter((value) => subject[value])}
        onChange={(on) =>
          put({ hat: on.includes('hat'), spectacles: on.includes('spectacles'), deepSet: on.includes('deepSet') })
        }
        choices={WORN}
      />
      <ChoiceList
        label={texts.skin}
        layout="row"
        value={subject.skin}
        onChoose={(skin: Subject['skin']) => put({ skin })}
        choices={choices(['light', 'medium', 'deep'] as const)}
      />
      <ChoiceList
        label={texts.hair}
        layout="row"
        value={subject.hair}
        onChoose={(hair: Subject['hair']) => put({ hair })}
        choices={choices(['dark', 'light'] as const)}
      />
      <ChoiceList
        label={texts.who}
        layout="row"
        value={setup.people === null ? subject.company : null}
        onChoose={(company: Subject['company'] | null) => {
          if (company !== null) put({ company });
        }}
        choices={[
          { value: 'alone', label: texts.one },
          { value: 'two', label: texts.two },
        ]}
      />
      {setup.people !== null && (
        <Txt size="label" tone="quiet">
          {texts.aGroupStandsThereAs}
        </Txt>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <SideDial
          label={texts.faceTurned}
          value={subject.turnDeg}
          onChange={(turnDeg) => changeOne('stage.subject.turnDeg', turnDeg)}
          note={
            subject.turnDeg === 0
              ? texts.toTheCamera
              : subject.turnDeg < 0
                ? texts.leftOfTheCamera
                : texts.rightOfTheCamera
          }
        />
        {companions(setup).length > 0 && (
          <NumberDial
            label={setup.people === null ? texts.secondPersonTurnedInward : texts.othersTurnedInward}
            unit="°"
            value={subject.othersTurnDeg}
            least={-180}
            most={180}
            step={5}
            decimals={0}
            onChange={(deg) => changeOne('stage.subject.othersTurnDeg', deg)}
            note={sayOthers(subject.othersTurnDeg)}
          />
        )}
        <NumberDial
          label={texts.eyesOverTheGround}
          unit="m"
          value={subject.eyesM}
          least={0.4}
          most={2.4}
          step={0.05}
          decimals={2}
          onChange={(eyesM) => put({ eyesM: Number(eyesM.toFixed(2)) })}
          note={formatDistance(subject.eyesM, unit)}
        />
        {subject.spectacles && (
          <NumberDial
            label={texts.spectaclesTippedDown}
            unit="°"
            value={subject.spectaclesTiltDeg}
            least={-5}
            most={25}
            step={1}
            decimals={0}
            onChange={(tilt) => changeOne('stage.subject.spectaclesTiltDeg', tilt)}
          />
        )}
      </View>
    </>
  );
}

/** Where the sun stands: by hand, or from place and time. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
function SunPart() {
  const { setup } = useSetup();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const shoot = useAppSelector((state) => selectDocument(state, 'shoot', setup.shootId));
  const elsewhere = useAppSelector((state) =>
    Object.values(state.documents.byId).find(
      (one) => one.type === 'setup' && one.shootId === setup.shootId && one.stage?.sun?.by === 'time',
    ),
  );
  const { sun } = setup.stage;
  const put = (next: Sun | null) => changeOne('stage.sun', next);
  const known = elsewhere?.type === 'setup' && elsewhere.stage.sun?.by === 'time' ? elsewhere.stage.sun : null;
  const start = (by: string) =>
    put(
      by === 'none'
        ? null
        : by === 'hand'
          ? {
              by: 'hand',
              sideDeg: Math.round(numbers.stage.sun?.sideDeg ?? 150),
              altitudeDeg: Math.round(Math.max(-10, numbers.stage.sun?.altitudeDeg ?? 25)),
            }
          : {
              by: 'time',
              latitudeDeg: known?.latitudeDeg ?? 47,
              longitudeDeg: known?.longitudeDeg ?? 10,
              at: `${shoot?.date ?? '2026-06-01'}T14:00:00Z`,
              cameraLooksDeg: 180,
            },
    );
  return (
    <>
      <ChoiceList
        label={texts.theSun}
        layout="row"
        value={sun === null ? 'none' : sun.by}
        onChoose={start}
        choices={[
          { value: 'none', label: texts.noSun },
          { value: 'hand', label: texts.byHand },
          { value: 'time', label: texts.placeAndTime },
        ]}
      />
      {numbers.stage.sun !== null && (
        <Txt role="status" bold>
          {words.sun(numbers.stage.sun)}
        </Txt>
      )}
      {sun?.by === 'hand' && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
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
        </View>
      )}
      {sun?.by === 'time' && (
        <>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
            <NumberDial
              label={texts.latitude}
              unit="°"
              value={sun.latitudeDeg}
              least={-90}
              most={90}
              step={0.1}
              decimals={2}
              onChange={(latitudeDeg) => put({ ...sun, latitudeDeg: Number(latitudeDeg.toFixed(4)) })}
              note={sun.latitudeDeg < 0 ? 'south' : 'north'}
            />
            <NumberDial
              label={texts.longitude}
              unit="°"
              value={sun.longitudeDeg}
              least={-180}
              most={180}
              step={0.1}
              decimals={2}
              onChange={(longitudeDeg) => put({ ...sun, longitudeDeg: Number(longitudeDeg.toFixed(4)) })}
              note={sun.longitudeDeg < 0 ? 'west' : 'east'}
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
          <TimeField at={sun.at} timeZone={shoot?.timeZone ?? 'UTC'} onChange={(at) => put({ ...sun, at })} />
        </>
      )}
    </>
  );
}

/** Camera, background and ground. */
function PlacePart() {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const unit = kit.preferences.distanceUnit;
  const { stage } = setup;
  const { frameWidthM, frameHeightM, focalMm } = numbers.stage.camera;
  return (
    <>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <DistanceDial
          label={texts.cameraToTheSubject}
          value={stage.cameraM}
          unit={unit}
          onChange={(cameraM) => changeOne('stage.cameraM', Math.max(0.5, cameraM))}
        />
        <HeightDial
          label={texts.lensOverTheEyes}
          value={stage.cameraUpM}
          unit={unit}
          onChange={(up) => changeOne('stage.cameraUpM', Math.min(4, up))}
        />
        <DistanceDial
          label={texts.backgroundBehind}
          value={setup.backgroundM ?? 3}
          unit={unit}
          onChange={(backgroundM) => changeOne('backgroundM', backgroundM)}
          note={setup.backgroundM === null ? texts.notSaidYet : texts.theSubject}
        />
      </View>
      <Txt size="label" tone="quiet">
        {texts.atMmTheFrameIs(Math.round(focalMm), formatDistance(frameWidthM, unit)) +
          texts.highAtTheSubject(formatDistance(frameHeightM, unit))}
      </Txt>
      <ChoiceList
        label={texts.frame}
        layout="row"
        value={stage.upright ? 'upright' : 'lying'}
        onChoose={(way) => changeOne('stage.upright', way === 'upright')}
        choices={[
          { value: 'upright', label: texts.upright },
          { value: 'lying', label: texts.lying },
        ]}
      />
      <ChoiceList
        label={texts.background}
        layout="row"
        value={stage.background}
        onChoose={(background) => changeOne('stage.background', background)}
        choices={choices(BACKGROUNDS)}
      />
      <ChoiceList
        label={texts.ground}
        layout="row"
        value={stage.ground}
        onChoose={(ground) => changeOne('stage.ground', ground)}
        choices={choices(GROUNDS)}
      />
    </>
  );
}

/** Everything about the scene that is not a light: folded away until it is wanted. */
export function ScenePart() {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const actions = useActions();
  const { subject } = setup.stage;
  const unit = kit.preferences.distanceUnit;
  const [paces, setPaces] = useState(kit.preferences.paces);
  return (
    <View>
      <Disclosure
        title={texts.subject}
        summary={[
          texts.skin2(subject.skin),
          texts.hair2(subject.hair),
          ...WORN.filter(({ value }) => subject[value]).map(({ label }) => label.toLowerCase()),
        ].join(', ')}
      >
        <SubjectPart />
      </Disclosure>
      <Disclosure
        title={texts.sun}
        summary={numbers.stage.sun === null ? texts.noneOnTheStage : words.sun(numbers.stage.sun)}
      >
        <SunPart />
      </Disclosure>
      <Disclosure
        title={texts.cameraAndBackground}
        summary={texts.cameraAt(formatDistance(setup.stage.cameraM, unit), setup.stage.background, setup.stage.ground)}
      >
        <PlacePart />
      </Disclosure>
      <View style={{ paddingTop: 8, alignItems: 'flex-start' }}>
        <ActionButton
          kind="plain"
          label={paces ? texts.stopTellingPaces : texts.tellPacesAndHandBreadths}
          onPress={() => {
            setPaces(!paces);
            actions.setPreferences({ paces: !paces });
          }}
        />
      </View>
    </View>
  );
}
