import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { DistanceDial, HeightDial } from '@/ui/dials';
import { useState } from 'react';
import { View } from 'react-native';

import { formatDistance } from '@sphene/core/notation';
import { BACKGROUNDS, GROUNDS, OPEN_SIDES } from '@sphene/core/setup';
import { BackdropPlace } from './PanelAnswers';
import { SubjectPart, WORN } from './SubjectPart';
import { SunPart } from './SunPart';

/** Camera, background and ground. */
function PlacePart() {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const { changeOne } = useChange();
  const unit = kit.preferences.distanceUnit;
  const { stage } = setup;
  const { openSide, camera } = numbers.stage;
  const { frameWidthM, frameHeightM, focalMm } = camera;
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
      {setup.backgroundM !== null && <BackdropPlace />}
      <BackdropSize />
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
        choices={BACKGROUNDS.map((value) => ({ value, label: texts.backgrounds[value] }))}
      />
      <ChoiceList
        label={texts.ambientComesFrom}
        layout="scroll"
        value={stage.openSide}
        onChoose={(side) => changeOne('stage.openSide', side)}
        choices={[
          { value: null, label: texts.notSaidYet },
          ...OPEN_SIDES.map((value) => ({ value, label: texts.openSides[value] })),
        ]}
      />
      {openSide !== null && openSide.by !== 'said' && (
        <Txt size="label" tone="quiet" role="status">
          {texts.toldSide[openSide.by](texts.openSides[openSide.side].toLowerCase())}
        </Txt>
      )}
      <ChoiceList
        label={texts.ground}
        layout="row"
        value={stage.ground}
        onChoose={(ground) => changeOne('stage.ground', ground)}
        choices={GROUNDS.map((value) => ({ value, label: texts.grounds[value] }))}
      />
    </>
  );
}

/** A cloth of the usual roll, and as high as stands reach. */
const USUAL_BACKDROP = { widthM: 2.7, tallM: 2.5 };

/** How large a backdrop is, and whether it fills the frame. */
function BackdropSize() {
  const { backdrop } = useSetup().setup;
  const { distanceUnit } = useKit().preferences;
  const at = (m: number) => formatDistance(m, distanceUnit);
  return (
    <Disclosure
      title={texts.backdropSize}
      summary={backdrop === null ? texts.backdropReaches : `${at(backdrop.widthM)} × ${at(backdrop.tallM)}`}
    >
      <BackdropDials />
    </Disclosure>
  );
}

function BackdropDials() {
  const { setup, context } = useSetup();
  const { distanceUnit } = useKit().preferences;
  const { backdrop: fill } = useNumbers().stage;
  const { changeOne } = useChange();
  const { backdrop } = setup;
  if (backdrop === null)
    return (
      <View style={{ alignItems: 'flex-start' }}>
        <ActionButton label={texts.sayItsSize} onPress={() => changeOne('backdrop', USUAL_BACKDROP)} />
      </View>
    );
  return (
    <>
      <Txt bold role="status">
        {fill === null ? texts.sayTheDistanceToo : words.backdrop(fill, context)}
      </Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        <DistanceDial
          label={texts.backdropWide}
          value={backdrop.widthM}
          unit={distanceUnit}
          onChange={(widthM) => changeOne('backdrop', { ...backdrop, widthM })}
        />
        <DistanceDial
          label={texts.backdropHigh}
          value={backdrop.tallM}
          unit={distanceUnit}
          onChange={(tallM) => changeOne('backdrop', { ...backdrop, tallM })}
        />
      </View>
      <View style={{ alignItems: 'flex-start' }}>
        <ActionButton kind="plain" label={texts.asFarAsSeen} onPress={() => changeOne('backdrop', null)} />
      </View>
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
          texts.skinOf(texts.skins[subject.skin].toLowerCase()),
          texts.hairOf(texts.hairs[subject.hair].toLowerCase()),
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
        summary={texts.cameraAt(
          formatDistance(setup.stage.cameraM, unit),
          texts.backgrounds[setup.stage.background].toLowerCase(),
          texts.grounds[setup.stage.ground].toLowerCase(),
        )}
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
