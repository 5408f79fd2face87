import { texts } from './texts';
import { words } from '@/language/words';
import { useFrameImage } from '@/setupView/useFrameImage';
import { KeptTextField } from '@/shell/KeptTextField';
import { useActions } from '@/store/application';
import { ActionButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { Image, View } from 'react-native';

import type { KeptLook } from '@sphene/core/record';
import { LookCard } from './LookCard';

const MOST = { name: 80, tags: 12, tag: 30, words: 2000 };
const PICTURE_PX = 166;

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
        <KeptTextField
          label={texts.name}
          value={name}
          most={MOST.name}
          onKeep={(text) => text !== '' && actions.describeLook(look, { name: text })}
        />
        <KeptTextField
          label={texts.tags}
          placeholder={texts.tagsExample}
          value={tags.join(', ')}
          most={MOST.tags * (MOST.tag + 2)}
          onKeep={(text) => actions.describeLook(look, { tags: tagsIn(text) })}
        />
        <KeptTextField
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
