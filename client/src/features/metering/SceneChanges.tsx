import { texts } from './texts';
import { words } from '@/language/words';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { useActions } from '@/store/application';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import { SCENE_CHANGES } from '@sphene/core/setup';

/** What changed in the scene, in one tap each, and the fewest readings that settle it. */
export function SceneChanges() {
  const { setup, context } = useSetup();
  const numbers = useNumbers();
  const { activatePoint } = useChange();
  const palette = usePalette();
  const actions = useActions();
  return (
    <View role="group" aria-label={texts.changedInTheScene} style={{ gap: 8, paddingTop: 8 }}>
      <Txt size="label" tone="quiet">
        {texts.changedInTheScene}
      </Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {SCENE_CHANGES.map((what) => (
          <ActionButton
            key={what}
            label={words.sceneChange(what).label}
            onPress={() => actions.addSceneChange(setup.id, what)}
          />
        ))}
      </View>
      {numbers.meterAgain.map((again) => (
        <View
          key={again.pointId}
          style={{
            flexDirection: 'row',
            alignItems: 'center',
            gap: 8,
            borderLeftWidth: 3,
            borderLeftColor: palette.ambient,
            paddingLeft: 12,
          }}
        >
          <Txt style={{ flex: 1 }}>{words.meterAgain(again, context)}</Txt>
          <ActionButton
            label={texts.meter}
            name={texts.meterAgain(
              setup.points.find(({ id }) => id === again.pointId)?.name.toLowerCase() ?? texts.thePoint,
            )}
            onPress={() => activatePoint(again.pointId)}
          />
        </View>
      ))}
    </View>
  );
}
