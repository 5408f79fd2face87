import { texts } from './texts';
import { words } from '@/language/words';
import { useFrameImage } from '@/setupView/useFrameImage';
import { useActions } from '@/store/application';
import { ActionButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { useState } from 'react';
import { Image, View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { isWellFormed, withoutBroken } from '@sphene/core/gear';
import type { KeptLook } from '@sphene/core/record';
import { LookCard } from './LookCard';

const MOST = { name: 80, tags: 12, tag: 30, words: 2000 };
const PICTURE_PX = 166;

/** A text of a look, kept when the field is left; an empty name is none. */
function TextOfLook({
  label,
  value,
  most,
  tall = false,
  placeholder,
  onKeep,
}: {
  label: string;
  value: string;
  most: number;
  tall?: boolean;
  placeholder?: string;
  onKeep: (text: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const keep = () => {
    const text = typed === null || isWellFormed(typed) ? typed : withoutBroken(typed);
    if (text !== null && text.trim() !== value) onKeep(text.trim());
    setTyped(null);
  };
  return (
    <TextInput
      label={label}
      accessibilityLabel={label}
      placeholder={placeholder}
      mode="outlined"
      dense
      multiline={tall}
      maxLength={most}
      value={typed ?? value}
      onChangeText={setTyped}
      onBlur={keep}
      onSubmitEditing={tall ? undefined : keep}
      style={tall ? { minHeight: 72 } : null}
    />
  );
}

/** Tags as they are typed, one after the other with commas. */
const tagsIn = (text: string): string[] =>
  [...new Set(text.split(',').map((tag) => tag.trim().slice(0, MOST.tag)))]
    .filter((tag) => tag !== '')
    .slice(0, MOST.tags);

/** The picture that was kept with a look. */
function KeptPicture({ look }: { look: KeptLook }) {
  const image = useFrameImage(look.id);
  if (image == null) return null;
  return (
    <Image
      source={{ uri: image }}
      accessibilityLabel={texts.pictureOf(look.name)}
      resizeMode="contain"
      style={{ width: PICTURE_PX, aspectRatio: 0.8 }}
    />
  );
}

/** A look that was kept: its picture, what is said of it, and what can be done with it here. */
export function OwnLook({ look }: { look: KeptLook }) {
  const actions = useActions();
  const { name, tags, words: note, picture } = look;
  const told = words.lookTold(picture);
  return (
    <Disclosure title={name} summary={[told, ...tags].join(' · ')}>
      <View style={{ gap: 12 }}>
        <KeptPicture look={look} />
        <LookCard name={name} picture={picture} />
        <TextOfLook
          label={texts.name}
          value={name}
          most={MOST.name}
          onKeep={(text) => text !== '' && actions.describeLook(look, { name: text })}
        />
        <TextOfLook
          label={texts.tags}
          placeholder={texts.tagsExample}
          value={tags.join(', ')}
          most={MOST.tags * (MOST.tag + 2)}
          onKeep={(text) => actions.describeLook(look, { tags: tagsIn(text) })}
        />
        <TextOfLook
          label={texts.words}
          value={note}
          most={MOST.words}
          tall
          onKeep={(text) => actions.describeLook(look, { words: text })}
        />
        <View style={{ alignItems: 'flex-start' }}>
          <ActionButton
            kind="plain"
            icon="trash-can-outline"
            label={texts.remove}
            name={texts.removeLook(name)}
            onPress={() => actions.removeRecord(look)}
          />
        </View>
      </View>
    </Disclosure>
  );
}
