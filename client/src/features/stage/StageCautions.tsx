import { texts } from './texts';
import { words } from '@/language/words';
import { useAdvice, useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton } from '@/ui/ActionButton';
import PathIcon from '@/ui/PathIcon';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { View } from 'react-native';

import { meantSo } from '@sphene/core/stage';

/** Older answers go first when a setup has as many as it keeps. */
const MOST_KEPT = 199;

/** What to watch on the stage, each with the moves that cure it, the smallest first. */
export function StageCautions() {
  const numbers = useNumbers();
  const advice = useAdvice();
  const { change } = useChange();
  const { setup, context } = useSetup();
  const { meant } = numbers.stage;
  const palette = usePalette();
  return (
    <View role="list" aria-label={texts.watch} style={{ gap: 8 }}>
      {numbers.stage.watches.map((watched) => {
        const { kind, lightId } = watched;
        const cures = advice.stageCures.find((one) => one.watch === kind && one.lightId === lightId)?.moves ?? [];
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
                <Txt>{words.stageWatch(watched, context)}</Txt>
              </View>
            </View>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
              {cures.map((cure) => {
                const { settings } = cure;
                const title = words.stageMove(cure, context);
                return <ActionButton key={title} label={title} onPress={() => change(...settings)} />;
              })}
              <ActionButton
                kind="plain"
                label={texts.meantSo}
                name={texts.meantSoName(words.stageWatch(watched, context))}
                onPress={() =>
                  change({ path: 'confirmed', value: [...setup.confirmed.slice(-MOST_KEPT), meantSo(watched)] })
                }
              />
            </View>
          </View>
        );
      })}
      {meant.length > 0 && (
        <View role="listitem" style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Txt size="label" tone="quiet" style={{ flex: 1 }}>
            {texts.meantHere(meant.length)}
          </Txt>
          <ActionButton
            kind="plain"
            label={texts.watchAgain}
            onPress={() =>
              change({
                path: 'confirmed',
                value: setup.confirmed.filter((id) => meant.every((one) => meantSo(one) !== id)),
              })
            }
          />
        </View>
      )}
    </View>
  );
}
