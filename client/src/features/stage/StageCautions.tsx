import { texts } from './texts';
import { words } from '@/language/words';
import { useSetupView } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import PathIcon from '@/ui/PathIcon';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import type { StageCaution } from '@sphene/core/stage';

/** What to watch on the stage, each with the moves that cure it, the smallest first. */
export function StageCautions({ cautions }: { cautions: readonly StageCaution[] }) {
  const { change, context } = useSetupView();
  const palette = usePalette();
  return (
    <View role="list" aria-label={texts.watch} style={{ gap: 8 }}>
      {cautions.map((caution) => {
        const { kind, lightId, cures } = caution;
        const text = words.stageWatch(caution, context);
        return (
          <View
            key={`${kind} ${lightId ?? ''}`}
            role="listitem"
            style={{
              gap: 8,
              padding: 10,
              backgroundColor: palette.raised,
              borderLeftWidth: 3,
              borderLeftColor: palette.danger,
            }}
          >
            <View style={{ flexDirection: 'row', gap: 8 }}>
              <PathIcon name="alert-outline" color={palette.danger} size={20} />
              <View style={{ flex: 1 }}>
                <Txt>{text}</Txt>
              </View>
            </View>
            {cures.length > 0 && (
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
                {cures.map((cure) => {
                  const { settings } = cure;
                  const title = words.stageMove(cure, context);
                  return <ActionButton key={title} label={title} onPress={() => change(...settings)} />;
                })}
              </View>
            )}
          </View>
        );
      })}
    </View>
  );
}
