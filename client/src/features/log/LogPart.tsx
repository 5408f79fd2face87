import { texts } from './texts';
import { VariantTree } from '@/features/variants/VariantTree';
import { exportSetup } from '@/setupView/exportSetup';
import { Photos } from '@/setupView/Photos';
import { useSetup } from '@/setupView/setupContext';
import { downloadText, fileNameOf } from '@/shell/download';
import { useKeeper } from '@/store/application';
import { selectDocument } from '@/store/selectors';
import { type Store, useAppSelector } from '@/store/store';
import { ActionButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';

import { writeSetupFile } from '@sphene/core/formats';
import { AddNote } from './AddNote';
import type { Entry } from './entries';
import { LogChart } from './LogChart';
import { LogLine } from './LogLine';
import { momentOf } from './momentOf';
import { ReturnPanel } from './ReturnPanel';
import { ThisSetup } from './ThisSetup';
import { useSetupLog, useUnkept } from './useEntries';

/** Every fact and every change of a setting with its time, the newest first, each with the way back to it. */
function Lines() {
  const { setup } = useSetup();
  const zone = useAppSelector((state) => selectDocument(state, 'shoot', setup.shootId)?.timeZone ?? 'UTC');
  const { entries, notes, foretold } = useSetupLog(setup);
  const unkept = useUnkept();
  const [back, setBack] = useState<Entry | null>(null);
  const when = momentOf(zone);
  return (
    <>
      {back !== null && <ReturnPanel atMs={Date.parse(back.at)} when={when(back.at)} onClose={() => setBack(null)} />}
      {entries.length === 0 && <Txt tone="quiet">{texts.nothingYetReadingsAndChanges}</Txt>}
      <View role="list">
        {entries.map((entry, index) => (
          <LogLine
            key={entry.id}
            entry={entry}
            shootId={setup.shootId}
            when={when(entry.at)}
            note={notes.get(entry.id)}
            foretold={foretold.get(entry.id)}
            isUnkept={unkept.has(entry.id)}
            onBack={index > 0 && entry.kind === 'setting' && !entry.muted ? () => setBack(entry) : undefined}
          />
        ))}
      </View>
    </>
  );
}

/** The setup as a whole, its record, and what can be done with both. */
export function LogPart() {
  const { setup } = useSetup();
  const store = useStore() as Store;
  const router = useRouter();
  const keeper = useKeeper();
  const exportFile = async () => {
    const file = await exportSetup(store.getState(), setup.id, (id) => keeper.image(id));
    if (file !== null) downloadText(fileNameOf(setup.title, 'sphene.json'), writeSetupFile(file));
  };
  return (
    <View style={{ gap: 8 }}>
      <ThisSetup />
      <Photos spot={{ id: setup.spotId, shootId: setup.shootId }} setupId={setup.id} />
      <VariantTree />
      <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap', paddingTop: 12 }}>
        <ActionButton
          label={texts.exportIt}
          icon="tray-arrow-up"
          name={texts.exportThisSetup}
          onPress={() => void exportFile()}
        />
        <ActionButton
          kind="plain"
          icon="chevron-right"
          label={texts.logOfTheShoot}
          onPress={() => router.navigate({ pathname: '/log/[id]', params: { id: setup.shootId } })}
        />
      </View>
      <AddNote shootId={setup.shootId} setupId={setup.id} />
      <Disclosure title={texts.chart} summary={texts.chartSummary}>
        <LogChart setups={[setup]} />
      </Disclosure>
      <Lines />
    </View>
  );
}
