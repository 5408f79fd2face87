import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { type MakingState, pictureMaker } from '@/workers/pictureMaker';
import { View } from 'react-native';

import { usePictureVersion } from './usePicture';

const SAYS: Record<MakingState, string> = {
  waiting: 'Waiting',
  finished: 'Finished',
  sculpting: 'Setting the scene',
  draft: 'Coarse',
  refining: 'Refining',
  stopped: 'Stopped, coarse',
  failed: 'The picture could not be made here',
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
        aria-label={`Picture: ${SAYS[state].toLowerCase()}`}
      >
        {SAYS[state]}
      </Txt>
      {working && (
        <ActionButton kind="plain" label="Stop" name="Stop refining the picture" onPress={() => maker.stop()} />
      )}
      {(state === 'stopped' || state === 'failed') && (
        <ActionButton kind="plain" label="Go on" name="Go on with the picture" onPress={() => maker.resume()} />
      )}
    </View>
  );
}
