import { texts } from './texts';
import { useChange, useKit, useSetup } from '@/setupView/setupContext';
import { ChoiceList } from '@/ui/ChoiceList';
import { ToggleList } from '@/ui/ToggleList';
import { Txt } from '@/ui/Txt';
import { NumberDial, SideDial } from '@/ui/dials';
import { View } from 'react-native';

import { formatDistance } from '@sphene/core/notation';
import type { Subject } from '@sphene/core/setup';
import { companions } from '@sphene/core/stage';
import { sayOthers } from './things';

const ANGLE = { unit: '°', least: -180, most: 180, step: 5, decimals: 0 };
/** What someone wears or has, as it is chosen and told. */
export const WORN = [
  { value: 'hat', label: texts.hat },
  { value: 'spectacles', label: texts.spectacles },
  { value: 'deepSet', label: texts.deepSetEyes },
] as const;

/** Which way the face looks, in a word. */
const turnedText = (turnDeg: number): string => {
  if (turnDeg === 0) return texts.toTheCamera;
  return turnDeg < 0 ? texts.leftOfTheCamera : texts.rightOfTheCamera;
};

/** What someone wears, and whether another stands beside. */
function SubjectChoices({ subject, put }: { subject: Subject; put: (change: Partial<Subject>) => void }) {
  const { setup } = useSetup();
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
        onChoose={(skin) => put({ skin })}
        choices={(['light', 'medium', 'deep'] as const).map((value) => ({ value, label: texts.skins[value] }))}
      />
      <ChoiceList
        label={texts.hair}
        layout="row"
        value={subject.hair}
        onChoose={(hair) => put({ hair })}
        choices={(['dark', 'light'] as const).map((value) => ({ value, label: texts.hairs[value] }))}
      />
      <ChoiceList
        label={texts.betterSide}
        layout="row"
        value={subject.betterSide}
        onChoose={(betterSide) => put({ betterSide })}
        choices={[
          { value: null, label: texts.eitherSide },
          ...(['left', 'right'] as const).map((value) => ({ value, label: texts.sides[value] })),
        ]}
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
    </>
  );
}

/** Who stands there: what light does differently on them. */
export function SubjectPart() {
  const { setup } = useSetup();
  const { preferences } = useKit();
  const { changeOne } = useChange();
  const { subject } = setup.stage;
  const put = (change: Partial<Subject>) => changeOne('stage.subject', { ...subject, ...change });
  return (
    <>
      <SubjectChoices subject={subject} put={put} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <SideDial
          label={texts.faceTurned}
          value={subject.turnDeg}
          onChange={(turnDeg) => changeOne('stage.subject.turnDeg', turnDeg)}
          note={turnedText(subject.turnDeg)}
        />
        {companions(setup).length > 0 && (
          <NumberDial
            {...ANGLE}
            label={setup.people === null ? texts.secondPersonTurnedInward : texts.othersTurnedInward}
            value={subject.othersTurnDeg}
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
          note={formatDistance(subject.eyesM, preferences.distanceUnit)}
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
