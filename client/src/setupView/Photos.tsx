import { texts } from './texts';
import { useFrameImage } from './useFrameImage';
import { useActions } from '@/store/application';
import { selectPhotos } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { pickFile } from '@/ui/pickFile';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { openFrame } from '@/workers/openFrame';
import { useState } from 'react';
import { Image, View } from 'react-native';
import { TextInput } from 'react-native-paper';

import type { Photo, Spot } from '@sphene/core/documents';

const MOST_LETTERS = 120;
const PICTURE_PX = 220;
/** What a frame's settings are until they are read; a photograph needs none. */
const NO_SETTINGS = { av: 0, tv: 0, sv: 0 };

const PROBLEMS = { 'too large': texts.photoTooLarge, 'no picture': texts.notAPicture } as const;

/** One photograph with what it shows in words. */
function PhotoCard({ photo }: { photo: Photo }) {
  const actions = useActions();
  const palette = usePalette();
  const image = useFrameImage(photo.id);
  const [typed, setTyped] = useState<string | null>(null);
  const name = photo.title === '' ? texts.photo : photo.title;
  const keep = () => {
    if (typed !== null && typed !== photo.title) actions.rename(photo, typed);
    setTyped(null);
  };
  return (
    <View role="group" aria-label={name} style={{ gap: 4, flexBasis: PICTURE_PX, flexGrow: 1, maxWidth: 360 }}>
      {image == null ? (
        <View style={{ aspectRatio: 1.5, justifyContent: 'center', padding: 12, backgroundColor: palette.raised }}>
          <Txt tone="quiet">{image === null ? texts.photoNotHere : texts.photoComing}</Txt>
        </View>
      ) : (
        <Image
          source={{ uri: image }}
          accessibilityLabel={name}
          resizeMode="contain"
          style={{ aspectRatio: 1.5, backgroundColor: palette.raised }}
        />
      )}
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <TextInput
          label={texts.whatItShows}
          accessibilityLabel={texts.whatShows(name)}
          mode="outlined"
          dense
          maxLength={MOST_LETTERS}
          value={typed ?? photo.title}
          onChangeText={setTyped}
          onBlur={keep}
          onSubmitEditing={keep}
          style={{ flex: 1 }}
        />
        <IconButton icon="close" name={texts.removePhoto(name)} onPress={() => actions.remove(photo)} />
      </View>
    </View>
  );
}

/**
 * Photographs to remember a place or a set by: added in one tap from the camera or a file, kept small.
 * @param setupId the set that they show; null: the spot itself
 */
export function Photos({ spot, setupId }: { spot: Pick<Spot, 'id' | 'shootId'>; setupId: string | null }) {
  const actions = useActions();
  const photos = useAppSelector((state) => selectPhotos(state, spot.id)).filter((one) => one.setupId === setupId);
  const [state, setState] = useState<'opening' | keyof typeof PROBLEMS | null>(null);
  const take = async (file: File) => {
    setState('opening');
    const opened = await openFrame(file, file.name, NO_SETTINGS);
    setState(opened.ok ? null : opened.reason);
    if (!opened.ok) return;
    const title = opened.facts.name.replace(/\.jpe?g$/i, '').slice(0, MOST_LETTERS);
    actions.addPhoto(spot, setupId, { title, image: opened.facts.image });
  };
  return (
    <View role="group" aria-label={texts.photos} style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        {photos.map((photo) => (
          <PhotoCard key={photo.id} photo={photo} />
        ))}
      </View>
      <View style={{ alignItems: 'flex-start' }}>
        <ActionButton
          label={setupId === null ? texts.addPhoto : texts.photographTheSet}
          icon="image-plus-outline"
          disabled={state === 'opening'}
          onPress={() => pickFile('image/jpeg', (file) => void take(file))}
        />
      </View>
      {state === 'opening' && <Txt role="status">{texts.openingPhoto}</Txt>}
      {state !== null && state !== 'opening' && (
        <Txt role="alert" tone="danger">
          {PROBLEMS[state]}
        </Txt>
      )}
    </View>
  );
}
