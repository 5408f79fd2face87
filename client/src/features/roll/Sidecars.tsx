import { texts } from './texts';
import { words } from '@/language/words';
import { downloadBlob, fileNameOf } from '@/shell/download';
import { useActions } from '@/store/application';
import { selectDocument } from '@/store/selectors';
import type { Store } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { pickFiles } from '@/ui/pickFile';
import { Txt } from '@/ui/Txt';
import { useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';

import type { FrameSidecar } from '@sphene/core/exchange';
import { type ReadSidecars, readSidecars, sidecarArchive } from './sidecars';
import type { PlacedFrame } from './useRolls';

/** So many are told one by one; the rest is counted. */
const TOLD = 20;

/** One sidecar that was read: how its frame was lit, and its look to be kept. */
function ReadOne({ sidecar, isKept, onKeep }: { sidecar: FrameSidecar; isKept: boolean; onKeep: () => void }) {
  return (
    <View role="listitem" style={{ gap: 2 }}>
      <Txt bold>{`${sidecar.frame} · ${sidecar.setup}`}</Txt>
      {sidecar.lights.map((line) => (
        <Txt key={line}>{line}</Txt>
      ))}
      {sidecar.look !== null && (
        <View style={{ alignItems: 'flex-start' }}>
          {isKept ? (
            <Txt role="status">{texts.keptLook}</Txt>
          ) : (
            <ActionButton kind="plain" icon="plus" label={texts.keepLook} onPress={onKeep} />
          )}
        </View>
      )}
    </View>
  );
}

/** Sidecars of a shoot's frames, out and in. */
export function Sidecars({ shootId, frames }: { shootId: string; frames: readonly PlacedFrame[] }) {
  const store = useStore() as Store;
  const actions = useActions();
  const [none, setNone] = useState(false);
  const [read, setRead] = useState<ReadSidecars | null>(null);
  const [kept, setKept] = useState<readonly string[]>([]);
  const write = () => {
    const bytes = sidecarArchive(store.getState(), frames);
    setNone(bytes === null);
    if (bytes === null) return;
    const title = selectDocument(store.getState(), 'shoot', shootId)?.title ?? '';
    downloadBlob(
      fileNameOf(`${title} xmp`, 'zip'),
      new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/zip' }),
    );
  };
  const keep = (sidecar: FrameSidecar) => {
    if (sidecar.look === null) return;
    const setup = selectDocument(store.getState(), 'setup', sidecar.setupId);
    const from = setup === undefined ? null : { shootId: setup.shootId, setupId: setup.id };
    actions.keepLook(sidecar.setup.slice(0, 80), from, sidecar.look, null);
    setKept([...kept, sidecar.frame]);
  };
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton icon="tray-arrow-up" label={texts.sidecarsOut} onPress={write} />
        <ActionButton
          icon="tray-arrow-down"
          label={texts.sidecarsIn}
          onPress={() => pickFiles('.xmp', (files) => void readSidecars(files).then(setRead))}
        />
      </View>
      {none && (
        <Txt role="alert" tone="danger">
          {texts.noSidecars}
        </Txt>
      )}
      {read !== null && (
        <>
          <Txt role="status">{texts.read(read.sidecars.length)}</Txt>
          {read.faults.slice(0, TOLD).map(({ name, fault }) => (
            <Txt key={name} role="alert" tone="danger">
              {texts.notRead(name, words.files.xmpFault(fault))}
            </Txt>
          ))}
          {read.faults.length > TOLD && <Txt tone="danger">{texts.more(read.faults.length - TOLD)}</Txt>}
          <View role="list" style={{ gap: 8 }}>
            {read.sidecars.slice(0, TOLD).map((sidecar) => (
              <ReadOne
                key={sidecar.frame}
                sidecar={sidecar}
                isKept={kept.includes(sidecar.frame)}
                onKeep={() => keep(sidecar)}
              />
            ))}
          </View>
          {read.sidecars.length > TOLD && <Txt tone="quiet">{texts.more(read.sidecars.length - TOLD)}</Txt>}
        </>
      )}
    </View>
  );
}
