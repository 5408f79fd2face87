import { texts } from './texts';
import { useActions } from '@/store/application';
import { selectFacts, selectSceneChanges } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { useMemo } from 'react';
import { View } from 'react-native';

import { PLAIN_CHANGE, type SceneChange } from '@sphene/core/setup';
import { type SolutionNumbers, solveNumbers } from '@sphene/core/solution';

type Sky = 'out' | 'in';
const SKIES: readonly Sky[] = ['out', 'in'];

/** The sky in force, where somebody has told two apart. */
function useSky(): Sky | null {
  const { setup } = useSetup();
  const changes = useAppSelector((state) => selectSceneChanges(state, setup.id));
  const told = changes
    .filter(({ what, sunOut, struckAt }) => what === 'sun' && sunOut !== null && struckAt === null)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const last = told.at(-1);
  if (last === undefined) return null;
  return last.sunOut === true ? 'out' : 'in';
}

/** Settings and powers in short. */
function wantedIn({ camera, suggested, lights }: SolutionNumbers): string {
  const set = suggested ?? camera;
  if (set === null) return texts.notMeteredSo;
  const powers = lights.flatMap(({ group, powerText }) => (powerText === null ? [] : [`${group} ${powerText}`]));
  return texts.wantsThen(`${set.text.shutter} ${set.text.aperture} ${set.text.iso}`, powers.join(', '));
}

/** What the other sky would want: the setup solved as if it had just changed. */
function useOther(sky: Sky): string {
  const { setup } = useSetup();
  const kit = useKit();
  const facts = useAppSelector((state) => selectFacts(state, setup.id));
  const clockMs = useAppSelector((state) => state.device.clockMs);
  return useMemo(() => {
    const at = new Date(clockMs).toISOString();
    const change: SceneChange = {
      ...PLAIN_CHANGE,
      id: setup.id,
      setupId: setup.id,
      at,
      what: 'sun',
      sunOut: sky === 'in',
    };
    return wantedIn(solveNumbers(setup, kit, [...facts, change], new Date(clockMs)).numbers);
  }, [setup, kit, facts, clockMs, sky]);
}

/** Both skies side by side: which is in force, and what each wants on camera and lights. */
function Both({ sky }: { sky: Sky }) {
  const { setup } = useSetup();
  const numbers = useNumbers();
  const actions = useActions();
  const other = useOther(sky);
  const wants: Record<Sky, string> = { out: other, in: other, [sky]: wantedIn(numbers) };
  const names: Record<Sky, string> = { out: texts.sunOut, in: texts.sunIn };
  return (
    <>
      <ChoiceList
        label={texts.sunAndCloud}
        layout="row"
        value={sky}
        onChoose={(chosen) => actions.turnSky(setup.id, chosen === 'out')}
        choices={SKIES.map((value) => ({ value, label: names[value] }))}
      />
      {SKIES.map((one) => (
        <View key={one} style={{ flexDirection: 'row', gap: 12 }}>
          <Txt bold style={{ width: 72 }}>
            {names[one]}
          </Txt>
          <Txt style={{ flex: 1 }} bold={one === sky}>
            {wants[one]}
            {one === sky ? ` · ${texts.skyNow}` : ''}
          </Txt>
        </View>
      ))}
    </>
  );
}

/** A sun that goes in and comes out: two states, one tap from one to the other. */
export function CloudPair() {
  const { setup } = useSetup();
  const actions = useActions();
  const sky = useSky();
  return (
    <Disclosure title={texts.sunAndCloud} summary={texts.sunAndCloudSummary} inUse={sky !== null}>
      {sky === null ? (
        <>
          <Txt size="label" tone="quiet">
            {texts.bothWays}
          </Txt>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <ActionButton label={texts.sunWentIn} onPress={() => actions.turnSky(setup.id, false)} />
            <ActionButton label={texts.sunCameOut} onPress={() => actions.turnSky(setup.id, true)} />
          </View>
        </>
      ) : (
        <Both sky={sky} />
      )}
    </Disclosure>
  );
}
