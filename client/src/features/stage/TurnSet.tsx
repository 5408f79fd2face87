import { texts } from './texts';
import { words } from '@/language/words';
import { sayActionFault } from '@/setupView/actionFault';
import { useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { noticed } from '@/store/deviceSlice';
import { useAppDispatch } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';

import { turnedSet } from '@sphene/core/stage';
import { useMoment } from './useStage';

const STEPS_DEG = [-45, -15, 15, 45];

/** Turns camera, lights and panels about the subject; says what went along and what is to be metered again. */
export function TurnSet() {
  const { setup, context } = useSetup();
  const actions = useActions();
  const dispatch = useAppDispatch();
  const moment = useMoment();
  const [said, setSaid] = useState<string | null>(null);
  const turn = (byDeg: number) => {
    const turned = turnedSet(setup, byDeg, moment.now(), moment.newestReadingAt);
    const changed = actions.changeSettings(setup.id, turned.settings, { all: [turned.happening] });
    if (changed.ok) setSaid(words.turnedSet(turned, context));
    else dispatch(noticed({ text: sayActionFault(changed.reason) }));
  };
  return (
    <Disclosure title={texts.turnTheSet} summary={texts.cameraLightsPanelsAbout}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {STEPS_DEG.map((byDeg) => (
          <View key={byDeg} style={{ flexGrow: 1, flexBasis: 120 }}>
            <ActionButton
              label={texts.turnBy(byDeg)}
              name={texts.turnTheSetBy(Math.abs(byDeg), byDeg < 0)}
              onPress={() => turn(byDeg)}
            />
          </View>
        ))}
      </View>
      <Txt size="label" tone="quiet" role="status">
        {said ?? texts.sunAndOpeningsStay}
      </Txt>
    </Disclosure>
  );
}
