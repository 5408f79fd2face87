import { catalogue } from '@/language/language';
import { useWork } from '@/shell/work';
import { useActions } from '@/store/application';
import { type DeviceState, type Notice, noticed, type StorageProblem } from '@/store/deviceSlice';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { useEffect } from 'react';
import { View } from 'react-native';
import { Snackbar } from 'react-native-paper';

import { Txt } from '../ui/Txt';
import { FreeSpace } from './FreeSpace';

const text = catalogue({
  blocked:
    'This browser does not let Sphene keep anything on the device. What you do goes to the server while it can be ' +
    'reached, and is lost with this page where it cannot. Allow site data, or use an ordinary window.',
  full: 'This device is full.',
  held: 'Another tab of this browser still runs an older version of Sphene. Close it: this one goes on then.',
  newer:
    'A newer version of Sphene runs in another tab and has taken over what is kept here. Open this page anew; until ' +
    'then nothing is kept.',
  notKept: (count: number) =>
    `${count === 1 ? '1 change is' : `${count} changes are`} on screen and not kept on this device. It is tried again.`,
  onServer: (count: number) => `The server has ${count === 1 ? '1 of them' : `${count} of them`}.`,
  bringBack: 'Bring back',
  deleted: (title: string) => `${title} deleted.`,
  cameBack: (titles: string) => `${titles}: deleted on one device and worked on at another. It is back, whole.`,
  historyCompared:
    'The server is not as this device remembers it: restored from a backup, or new. What it lacks is sent again.',
});

/** What was merely done is told briefly, so that it does not lie over the keys; a way back stays longer. */
const TOLD_MS = 3000;
const UNDO_MS = 8000;

/** Trouble with this device's storage: it stays until there is none any more. */
function StorageTrouble({ problem, unkept }: { problem: StorageProblem | null; unkept: DeviceState['unkept'] }) {
  const count = unkept.ids.length;
  if (problem === null && count === 0) return null;
  const said = [
    problem === null ? '' : text[problem],
    count === 0 ? '' : text.notKept(count),
    unkept.onServer === 0 ? '' : text.onServer(unkept.onServer),
  ];
  return (
    <View role="alert" style={{ padding: 12, gap: 8 }}>
      <Txt size="label" tone="danger" bold>
        {said.filter(Boolean).join(' ')}
      </Txt>
      {problem === 'full' && <FreeSpace />}
    </View>
  );
}

/** A refused change in the words of whoever knows them: they come with the piece that works out light. */
function useRefusal(notice: Notice | null): string {
  const { work, load } = useWork();
  const isRefused = notice !== null && 'refused' in notice;
  useEffect(() => {
    if (isRefused && work === null) void load();
  }, [isRefused, work, load]);
  return isRefused ? (work?.sayFault(notice.refused) ?? '') : '';
}

function sayNotice(notice: Notice, refusal: string): string {
  if ('text' in notice) return notice.text;
  if ('deleted' in notice) return text.deleted(notice.deleted);
  if ('cameBack' in notice) return text.cameBack(notice.cameBack.join(', '));
  return 'refused' in notice ? refusal : text.historyCompared;
}

/** Messages at the foot of the screen: what was just done, with a way back, and trouble with this device's storage. */
export function Notices() {
  const dispatch = useAppDispatch();
  const actions = useActions();
  const { notice, storageProblem, unkept } = useAppSelector((state) => state.device);
  const refusal = useRefusal(notice);
  const close = () => dispatch(noticed(null));
  return (
    <>
      <StorageTrouble problem={storageProblem} unkept={unkept} />
      {notice !== null && (
        <Snackbar
          // a new one is told for its own time, not for what is left of the one before
          key={JSON.stringify(notice)}
          visible
          onDismiss={close}
          duration={'text' in notice ? TOLD_MS : UNDO_MS}
          wrapperStyle={{ bottom: 96 }}
          {...('deleted' in notice
            ? { action: { label: text.bringBack, onPress: () => actions.bringBack(notice.documentIds) } }
            : {})}
        >
          {sayNotice(notice, refusal)}
        </Snackbar>
      )}
    </>
  );
}
