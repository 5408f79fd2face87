import { catalogue } from '@/language/language';
import { useActions } from '@/store/application';
import { noticed } from '@/store/deviceSlice';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { View } from 'react-native';
import { Snackbar } from 'react-native-paper';

import { Txt } from '../ui/Txt';

const text = catalogue({
  blocked:
    'This browser does not let Sphene keep anything on the device. Allow site data, or use an ordinary ' +
    'window: until then changes last only while this page is open.',
  full: 'This device is full: the last change is on screen but not kept. Free some space, then change it once more.',
  bringBack: 'Bring back',
  deleted: (title: string) => `${title} deleted.`,
});

/** What was merely done is told briefly, so that it does not lie over the keys; a way back stays longer. */
const TOLD_MS = 3000;
const UNDO_MS = 8000;

/** Messages at the foot of the screen: what was just done, with a way back, and trouble with this device's storage. */
export function Notices() {
  const dispatch = useAppDispatch();
  const actions = useActions();
  const { notice, storageProblem } = useAppSelector((state) => state.device);
  const close = () => dispatch(noticed(null));
  return (
    <>
      {storageProblem !== null && (
        <View role="alert" style={{ padding: 12 }}>
          <Txt size="label" tone="danger" bold>
            {text[storageProblem]}
          </Txt>
        </View>
      )}
      {notice !== null && (
        <Snackbar
          visible
          onDismiss={close}
          duration={'deleted' in notice ? UNDO_MS : TOLD_MS}
          wrapperStyle={{ bottom: 96 }}
          {...('deleted' in notice
            ? { action: { label: text.bringBack, onPress: () => actions.bringBack(notice.documentIds) } }
            : {})}
        >
          {'deleted' in notice ? text.deleted(notice.deleted) : notice.text}
        </Snackbar>
      )}
    </>
  );
}
