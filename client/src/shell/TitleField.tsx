import { texts } from './texts';
import { Txt } from '@/ui/Txt';
import { BOLD, FLAT_EDGE } from '@/ui/palette';
import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { spotSchema } from '@sphene/core/documents';
import type { FaultId } from '@sphene/core/photometry';

const TEXT_BROKEN: FaultId = 'text-broken';

/** A name that is changed in place; an empty one is refused and the old one kept. */
export function TitleField({
  label,
  title,
  onRename,
}: {
  label: string;
  title: string;
  onRename: (title: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const fault = typed === null ? undefined : spotSchema.shape.title.safeParse(typed).error?.issues[0];
  const wrong = fault !== undefined;
  const finish = () => {
    if (typed === null || wrong) return;
    if (typed.trim() !== title) onRename(typed.trim());
    setTyped(null);
  };
  return (
    <View style={{ flex: 1 }}>
      <TextInput
        label={label}
        accessibilityLabel={texts.nameOf(label)}
        mode="flat"
        dense
        underlineColor="transparent"
        style={{ backgroundColor: 'transparent', marginLeft: -FLAT_EDGE }}
        contentStyle={{ fontFamily: BOLD }}
        value={typed ?? title}
        onChangeText={setTyped}
        onBlur={finish}
        onSubmitEditing={finish}
        error={wrong}
      />
      {wrong && (
        <Txt size="label" tone="danger" role="alert">
          {fault.message === TEXT_BROKEN ? texts.aCharacterCannotBeKept : texts.giveItANameOf}
        </Txt>
      )}
    </View>
  );
}
