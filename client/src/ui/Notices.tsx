import { View } from 'react-native';
import { Snackbar } from 'react-native-paper';

import { useActions } from '@/store/application';
import { noticed } from '@/store/deviceSlice';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { Txt } from './Txt';

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
          <Txt size="label" tone="danger" bold>{storageProblem}</Txt>
        </View>
      )}
      {notice !== null && (
        <Snackbar visible onDismiss={close} duration={8000} wrapperStyle={{ bottom: 96 }}
          {...(notice.undo === undefined ? {} : { action: { label: notice.undo.label, onPress: () => actions.bringBack(notice.undo?.documentIds ?? []) } })}>
          {notice.text}
        </Snackbar>
      )}
    </>
  );
}
