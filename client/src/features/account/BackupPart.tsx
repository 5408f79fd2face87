import { texts } from './texts';
import { words } from '@/language/words';
import { downloadText } from '@/shell/download';
import { useActions, useKeeper } from '@/store/application';
import { timestamp } from '@/store/ids';
import { byId } from '@/store/selectors';
import { type RootState, useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { pickFile } from '@/ui/pickFile';
import { Heading, Txt } from '@/ui/Txt';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';

import type { Document } from '@sphene/core/documents';
import {
  type Backup,
  MAX_BACKUP_LETTERS,
  readBackup,
  type RestorePlan,
  restorePlan,
  writeBackup,
} from '@sphene/core/exchange';

/** What has a picture of its own. */
const PICTURED = ['frame', 'photo', 'look'];

/** All of it, or what travels by itself; each is read as a backup is. */
const PARTS_OF = ['backup', 'kit', 'looks'] as const;
type BackupPartOf = (typeof PARTS_OF)[number];

function isIn(part: BackupPartOf, document: Document): boolean {
  if (part === 'backup') return true;
  return part === 'looks' ? document.type === 'look' : 'retired' in document;
}

type State =
  | { step: 'rest' }
  | { step: 'gathering'; done: number; all: number }
  | { step: 'reading'; done: number; all: number }
  | { step: 'restoring' }
  | { step: 'looked'; backup: Backup; plan: RestorePlan }
  | { step: 'done'; count: number }
  | { step: 'refused'; why: string[] };

/** All of the account as a file, and back from it. */
function useBackup() {
  const store = useStore<RootState>();
  const keeper = useKeeper();
  const actions = useActions();
  const [state, setState] = useState<State>({ step: 'rest' });
  const stopped = useRef(false);
  const save = async (part: BackupPartOf) => {
    const documents = Object.values(byId(store.getState())).filter((document) => isIn(part, document));
    const pictured = documents.filter(({ type }) => PICTURED.includes(type));
    const images = new Map<string, string>();
    for (const [done, { id }] of pictured.entries()) {
      setState({ step: 'gathering', done, all: pictured.length });
      const image = await keeper.image(id);
      if (image !== null) images.set(id, image);
    }
    const exportedAt = timestamp();
    downloadText(`sphene-${exportedAt.slice(0, 10)}.${part}.json`, writeBackup({ exportedAt, documents, images }));
    setState({ step: 'rest' });
  };
  const look = async (file: File) => {
    stopped.current = false;
    setState({ step: 'reading', done: 0, all: 0 });
    if (file.size > MAX_BACKUP_LETTERS)
      return setState({ step: 'refused', why: words.backupFault({ kind: 'too-large' }) });
    const read = await readBackup(await file.text(), async (done, all) => {
      setState({ step: 'reading', done, all });
      await new Promise<void>((drawn) => requestAnimationFrame(() => drawn()));
      return !stopped.current;
    });
    if (read === null) return setState({ step: 'rest' });
    if (!read.ok) return setState({ step: 'refused', why: words.backupFault(read.reason) });
    const here = byId(store.getState());
    setState({ step: 'looked', backup: read.value, plan: restorePlan(read.value, (id) => here[id]) });
  };
  const restore = async (backup: Backup, plan: RestorePlan, over: boolean) => {
    setState({ step: 'restoring' });
    const documents = [...plan.missing, ...(over ? plan.other : [])];
    const kept = await actions.bringIn(documents, backup.images);
    setState(kept ? { step: 'done', count: documents.length } : { step: 'refused', why: [texts.backupNotKept] });
  };
  const stop = () => {
    stopped.current = true;
  };
  return { state, save, look, restore, stop, leave: () => setState({ step: 'rest' }) };
}

/** What a backup would do, and the taps that do it. */
function Looked({
  backup,
  plan,
  onRestore,
  onLeave,
}: {
  backup: Backup;
  plan: RestorePlan;
  onRestore: (over: boolean) => void;
  onLeave: () => void;
}) {
  const { missing, same, other } = plan;
  return (
    <View role="group" aria-label={texts.whatItHolds} style={{ gap: 8, alignItems: 'flex-start' }}>
      <Txt bold>{texts.backupOf(backup.exportedAt.slice(0, 10), backup.documents.length)}</Txt>
      <Txt>{texts.wouldAdd(missing.length)}</Txt>
      {same > 0 && <Txt tone="quiet">{texts.areSame(same)}</Txt>}
      {other.length > 0 && <Txt>{texts.areOther(other.length)}</Txt>}
      {missing.length > 0 && (
        <ActionButton label={texts.restoreMissing(missing.length)} icon="restore" onPress={() => onRestore(false)} />
      )}
      {other.length > 0 && (
        <ActionButton label={texts.restoreOver(other.length)} kind="plain" onPress={() => onRestore(true)} />
      )}
      <ActionButton label={texts.leaveIt} kind="plain" onPress={onLeave} />
    </View>
  );
}

/** A backup of everything, and the way back from one: looked at first, all or nothing. */
export function BackupPart() {
  const { state, save, look, restore, leave, stop } = useBackup();
  const ready = useAppSelector(({ documents }) => documents.ready);
  const isBusy = ['gathering', 'reading', 'restoring'].includes(state.step);
  return (
    <View role="group" aria-label={texts.backup} style={{ gap: 8 }}>
      <Heading>{texts.backup}</Heading>
      <Txt tone="quiet">{texts.backupWhat}</Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {PARTS_OF.map((part) => (
          <ActionButton
            key={part}
            label={texts.save[part]}
            icon="tray-arrow-up"
            disabled={isBusy || !ready}
            onPress={() => void save(part)}
          />
        ))}
        <ActionButton
          label={texts.restoreBackup}
          icon="tray-arrow-down"
          disabled={isBusy || !ready}
          onPress={() => pickFile('application/json,.json', (file) => void look(file))}
        />
      </View>
      {state.step === 'gathering' && <Txt role="status">{texts.gathering(state.done, state.all)}</Txt>}
      {state.step === 'reading' && (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Txt role="status">{texts.readingBackup(state.done, state.all)}</Txt>
          <ActionButton kind="plain" icon="close" label={texts.stop} onPress={stop} />
        </View>
      )}
      {state.step === 'restoring' && <Txt role="status">{texts.restoring}</Txt>}
      {state.step === 'done' && <Txt role="status">{texts.restored(state.count)}</Txt>}
      {state.step === 'refused' && (
        <View role="alert" style={{ gap: 4 }}>
          {state.why.map((line) => (
            <Txt key={line} tone="danger">
              {line}
            </Txt>
          ))}
        </View>
      )}
      {state.step === 'looked' && (
        <Looked
          backup={state.backup}
          plan={state.plan}
          onRestore={(over) => void restore(state.backup, state.plan, over)}
          onLeave={leave}
        />
      )}
    </View>
  );
}
