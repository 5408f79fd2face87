import { texts } from './texts';
import { useWork } from '@/shell/work';
import { useActions } from '@/store/application';
import { ActionButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { pickFile } from '@/ui/pickFile';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { MAX_SETUP_FILE_BYTES } from '@sphene/core/formats';

/** Brings in a setup that Export wrote; says what is wrong with any other file. */
export function ImportButton() {
  const actions = useActions();
  const router = useRouter();
  const work = useWork();
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (file: File) => {
    setProblem(null);
    if (file.size > MAX_SETUP_FILE_BYTES) return setProblem(texts.thisFileIsTooLarge);
    const { readSetup } = await work.load();
    const read = readSetup(await file.text());
    if (!read.ok) return setProblem(read.reason);
    const id = await actions.importSetup(read.value);
    router.navigate({ pathname: '/setup/[id]', params: { id } });
  };
  return (
    <View style={{ gap: 8, flexShrink: 1, flexGrow: 1 }}>
      <ActionButton
        label={texts.importASetup}
        icon="tray-arrow-down"
        onPress={() => pickFile('application/json,.json', (file) => void take(file))}
      />
      {problem !== null && (
        <Txt size="label" tone="danger" role="alert">
          {problem}
        </Txt>
      )}
    </View>
  );
}
