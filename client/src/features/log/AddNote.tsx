import { texts } from './texts';
import { useActions } from '@/store/application';
import { IconButton } from '@/ui/ActionButton';
import { ChoiceList } from '@/ui/ChoiceList';
import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { isWellFormed, withoutBroken } from '@sphene/core/gear';
import { type Verdict, VERDICTS } from '@sphene/core/record';

const MOST_LETTERS = 2000;

/** A note of one's own for the log, with how it turned out. @param setupId null: of the shoot as a whole */
export function AddNote({ shootId, setupId }: { shootId: string; setupId: string | null }) {
  const actions = useActions();
  const [text, setText] = useState('');
  const [verdict, setVerdict] = useState<Verdict | null>(null);
  const isEmpty = text.trim() === '' && verdict === null;
  const keep = () => {
    if (isEmpty) return;
    actions.addNote({ shootId, setupId, text: isWellFormed(text) ? text : withoutBroken(text), verdict });
    setText('');
    setVerdict(null);
  };
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
        <TextInput
          label={texts.writeNote}
          accessibilityLabel={texts.writeNote}
          mode="outlined"
          dense
          maxLength={MOST_LETTERS}
          value={text}
          onChangeText={setText}
          onSubmitEditing={keep}
          style={{ flex: 1, minWidth: 0 }}
        />
        <IconButton icon="plus" name={texts.keepNote} disabled={isEmpty} onPress={keep} />
      </View>
      <ChoiceList
        label={texts.verdict}
        showLabel={false}
        layout="row"
        value={verdict ?? undefined}
        onChoose={(next) => setVerdict(next === verdict ? null : next)}
        choices={VERDICTS.map((value) => ({ value, label: texts.verdicts[value] }))}
      />
    </View>
  );
}
