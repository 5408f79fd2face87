import { texts } from './texts';
import { WaysOut } from '@/features/camera/WaysOut';
import { words } from '@/language/words';
import { sayActionFault } from '@/setupView/actionFault';
import { addLight } from '@/setupView/addLight';
import { TakenOverLine } from '@/setupView/TakenOverLine';
import { useChange, useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { noticed } from '@/store/deviceSlice';
import { type Store, useAppDispatch } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { Heading, Txt } from '@/ui/Txt';
import { NumberDial } from '@/ui/dials';
import { selectDocument } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useStore } from 'react-redux';

import { offered } from '@sphene/core/gear';
import { formatStopCount } from '@sphene/core/notation';
import { LIGHT_ROLE_FACTS, LIGHT_ROLES, type LightRole, MOST_LIGHTS } from '@sphene/core/setup';
import { AskAmbientColour, ColourPart } from './ColourPart';
import { GroupPart } from './GroupPart';
import { LampsPart } from './LampsPart';
import { LightCard } from './LightCard';
import { StayingPart } from './StayingPart';
import { Targets } from './Targets';

const FLASH_WARNINGS = ['high-speed-sync-missing', 'dark-band', 'tail-cut', 'same-radio', 'one-trigger'];
const USUAL_BACKGROUND_M = 3;

/**
 * Adds a light of a role where such a light usually stands, with the point that it aims at and what that should
 * come to.
 */
function AddLight() {
  const { setup } = useSetup();
  const kit = useKit();
  const actions = useActions();
  const dispatch = useAppDispatch();
  const store = useStore() as Store;
  if (offered(kit.flashUnits).length === 0) return <Txt>{texts.thereIsNoFlashIn}</Txt>;
  if (setup.lights.length >= MOST_LIGHTS) return null;
  const add = (role: LightRole) => {
    const added = addLight(store, actions, setup.id, role);
    if (!added.ok) dispatch(noticed({ text: sayActionFault(added.reason) }));
  };
  return (
    <View style={{ gap: 4 }}>
      <Txt size="label" tone="quiet">
        {texts.addALight}
      </Txt>
      <View role="group" aria-label={texts.addALight} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {[...LIGHT_ROLES].reverse().map((role) => (
          <ActionButton
            key={role}
            icon="plus"
            label={words.lightRole(role).name}
            name={texts.addLightOf(
              words.lightRole(role).name.toLowerCase(),
              words.lightRole(role).because,
              words.pointRole(LIGHT_ROLE_FACTS[role].aims).name.toLowerCase(),
            )}
            onPress={() => add(role)}
          />
        ))}
      </View>
    </View>
  );
}

/** What every point comes to, and how far behind the background stands, for the spill on it. */
function TargetsFolded({ several }: { several: boolean }) {
  const { setup } = useSetup();
  const { changeOne } = useChange();
  const background = setup.points.some(({ role }) => role === 'background');
  return (
    <Disclosure title={texts.targets} summary={several ? texts.whatEveryPointShouldCome : texts.whatOtherPointsComeTo}>
      <Targets />
      {background && (
        <NumberDial
          label={texts.subjectToBackground}
          unit="m"
          value={setup.backgroundM ?? USUAL_BACKGROUND_M}
          least={0.3}
          most={100}
          step={0.5}
          decimals={1}
          onChange={(metres) => changeOne('backgroundM', metres)}
          {...(setup.backgroundM === null
            ? { note: texts.notSaidSpillThereIs }
            : { note: texts.forSpillOnIt, onReset: () => changeOne('backgroundM', null) })}
        />
      )}
    </Disclosure>
  );
}

/** What is asked of the lights beyond their power: targets, colour, evenness, how long they last. */
function OfAllLights({ several }: { several: boolean }) {
  const { context } = useSetup();
  const { colour, group, staying } = useNumbers();
  const kelvin = words.kelvin(colour.whiteBalance);
  return (
    <View>
      <TargetsFolded several={several} />
      <Disclosure
        title={texts.colourAndGels}
        summary={colour.mixed === null ? texts.whiteBalanceIs(kelvin) : texts.whiteBalanceMixed(kelvin)}
      >
        <ColourPart />
      </Disclosure>
      <Disclosure
        title={texts.group}
        summary={
          group === null ? texts.howEvenTheLightIs : texts.stopsAcrossTheGroup(formatStopCount(group.spreadStops))
        }
      >
        <GroupPart />
      </Disclosure>
      <Disclosure
        title={texts.stayingPowerAndWind}
        summary={staying === null ? texts.recycleChargeReserveBallast : words.staying(staying, context)}
      >
        <StayingPart />
      </Disclosure>
    </View>
  );
}

/** Safety of people, with the flash. */
function Mind() {
  const { setup, context } = useSetup();
  const { cautions } = useNumbers();
  const facts = useAppSelector((state) => selectDocument(state, 'spot', setup.spotId)?.facts) ?? [];
  if (cautions.length + facts.length === 0) return null;
  const ofSpot = facts.map((fact) => `${words.spotFact(fact).name}: ${words.spotFact(fact).because}`);
  return (
    <View style={{ gap: 4 }}>
      <Heading>{texts.mind}</Heading>
      {[...cautions.map((caution) => words.caution(caution, context)), ...ofSpot].map((text) => (
        <Txt key={text} size="label" tone="quiet">
          {text}
        </Txt>
      ))}
    </View>
  );
}

/** All lights: each with its power, gear and place; what every point comes to; colour, group, charge and wind. */
export function LightsStep() {
  const { setup, context } = useSetup();
  const { warnings, lamps } = useNumbers();
  const { changeOne } = useChange();
  const router = useRouter();
  const several = setup.lights.length > 1;
  const flashWarnings = warnings.filter(({ kind }) => FLASH_WARNINGS.includes(kind));
  return (
    <View style={{ gap: 16 }}>
      <TakenOverLine part="lights" />
      {setup.lights.map((light, index) => (
        <LightCard key={light.id} light={light} index={index} alone={!several} />
      ))}
      <AskAmbientColour />
      <WaysOut cures="power" />
      {flashWarnings
        .map((warning) => words.warning(warning, context))
        .map((text) => (
          <Txt key={text} tone="danger">
            {text}
          </Txt>
        ))}
      {setup.camera.video === null ? <AddLight /> : <Txt>{texts.thisSetupIsForVideo}</Txt>}
      {setup.lights.length > 0 && <OfAllLights several={several} />}
      {setup.lights.length > 0 && (
        <ActionButton
          kind="plain"
          label={texts.withoutLights}
          name={texts.withoutLightsName}
          onPress={() => changeOne('lights', [])}
        />
      )}
      <Disclosure
        title={texts.continuousLamps}
        inUse={setup.camera.video !== null || setup.lamps.some(({ role }) => role !== null)}
        summary={lamps.map(({ name }) => name).join(', ') || texts.ambientWithADialReflectors}
      >
        <LampsPart />
      </Disclosure>
      <ActionButton
        label={texts.kit}
        icon="pencil-outline"
        name={texts.openTheKit}
        onPress={() => router.navigate('/kit')}
      />
      <Mind />
    </View>
  );
}
