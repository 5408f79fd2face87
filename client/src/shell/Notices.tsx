import { useActions } from '@/store/application';
import { noticed } from '@/store/deviceSlice';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { View } from 'react-native';
import { Snackbar } from 'react-native-paper';

import { Txt } from '../ui/Txt';

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
            {storageProblem}
          </Txt>
        </View>
      )}
      {notice !== null && (
        <Snackbar
          visible
          onDismiss={close}
          duration={notice.undo === undefined ? TOLD_MS : UNDO_MS}
          wrapperStyle={{ bottom: 96 }}
          {...(notice.undo === undefined
            ? {}
            : {
                action: { label: notice.undo.label, onPress: () => actions.bringBack(notice.undo?.documentIds ?? []) },
              })}
        >
          {notice.text}
        </Snackbar>
      )}
    </>
  );
}
