import { texts } from './texts';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import type { MakingState } from '@/workers/pictureMaker';
import { pictureMaker } from '@/workers/pictures';
import { View } from 'react-native';

import { usePictureVersion } from './usePicture';

const SAYS: Record<MakingState, string> = {
  waiting: texts.waiting,
  finished: texts.finished,
  sculpting: texts.settingTheScene,
  draft: texts.coarse,
  refining: texts.refining,
  stopped: texts.stoppedCoarse,
  failed: texts.thePictureCouldNotBe,
};

/** How far the picture has come, with the way to stop it or to go on. */
export function PictureProgress() {
  const maker = pictureMaker();
  usePictureVersion();
  const state = maker.getState();
  const working = state === 'sculpting' || state === 'draft' || state === 'refining';
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 48 }}>
      <Txt
        size="label"
        tone={state === 'failed' ? 'danger' : 'quiet'}
        role="status"
        aria-label={texts.pictureOf(SAYS[state].toLowerCase())}
      >
        {state === 'finished' ? '✓' : SAYS[state]}
      </Txt>
      {working && (
        <ActionButton
          kind="plain"
          label={texts.stop}
          name={texts.stopRefiningThePicture}
          onPress={() => maker.stop()}
        />
      )}
      {(state === 'stopped' || state === 'failed') && (
        <ActionButton kind="plain" label={texts.goOn} name={texts.goOnWithThePicture} onPress={() => maker.resume()} />
      )}
    </View>
  );
}
