import { texts } from './texts';
import { useFrameImage } from '@/setupView/useFrameImage';
import { useActions } from '@/store/application';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { memo } from 'react';
import { Image, View } from 'react-native';

import type { Note } from '@sphene/core/record';
import type { Entry } from './entries';

const PHOTO_PX = 120;

/** The photograph of an entry, small. */
function Photo({ id, name }: { id: string; name: string }) {
  const image = useFrameImage(id);
  if (image == null) return null;
  return (
    <Image
      source={{ uri: image }}
      accessibilityLabel={name}
      resizeMode="cover"
      style={{ width: PHOTO_PX, height: PHOTO_PX * 0.75 }}
    />
  );
}

interface LogLineProps {
  entry: Entry;
  shootId: string;
  when: string;
  /** what was said of it */
  note: Note | undefined;
  /** the setup that it is of, where several are listed */
  of?: string | undefined;
  /** what was foretold of a reading */
  foretold?: string | undefined;
  /** one of a list, or by itself among much else */
  role?: 'listitem' | 'article';
  /** leads back to how it was then */
  onBack?: (() => void) | undefined;
}

/** What is over the text: when, of what, and whether it counts. */
function Over({ entry: { id, muted, fact }, when, of }: Pick<LogLineProps, 'entry' | 'when' | 'of'>) {
  const notKept = useAppSelector((state) => state.device.unkept.ids.includes(id));
  const mark = fact === null ? texts.afterTakenBack : texts.afterStruckOut;
  return (
    <Txt size="label" tone="quiet">
      {of === undefined ? when : `${when} · ${of}`}
      {muted ? mark : ''}
      {notKept ? texts.afterNotKept : ''}
    </Txt>
  );
}

/** What can be done with an entry: a star, striking out, removing a note. */
function Deeds({ entry, shootId, note }: Pick<LogLineProps, 'entry' | 'shootId' | 'note'>) {
  const actions = useActions();
  const { id, text, muted, fact, setupId } = entry;
  const starred = (entry.note ?? note)?.star === true;
  return (
    <View style={{ flexDirection: 'row' }}>
      <IconButton
        icon={starred ? 'star' : 'star-outline'}
        name={starred ? texts.unstar(text) : texts.star(text)}
        onPress={() => actions.star({ shootId, setupId, about: id }, entry.note ?? note)}
      />
      {fact !== null && (
        <IconButton
          icon={muted ? 'restore' : 'close'}
          name={muted ? texts.restore(text) : texts.strikeOut(text)}
          onPress={() => actions.strike(fact.type, fact.id, !muted)}
        />
      )}
      {entry.note !== null && (
        <IconButton
          icon="close"
          name={texts.removeNote(text)}
          onPress={() => entry.note !== null && actions.removeRecord(entry.note, text)}
        />
      )}
    </View>
  );
}

/** One line of the log: when, what, what came of it, and what can be done with it. */
export const LogLine = memo(function LogLine({
  entry,
  shootId,
  when,
  note,
  of,
  foretold,
  role = 'listitem',
  onBack,
}: LogLineProps) {
  const palette = usePalette();
  const { text, muted, photo } = entry;
  const verdict = (entry.note ?? note)?.verdict ?? null;
  return (
    <View
      role={role}
      {...(role === 'article' ? { 'aria-label': text } : null)}
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 8,
        borderTopWidth: 1,
        borderTopColor: palette.raised,
        minHeight: 48,
      }}
    >
      <View style={{ flex: 1, paddingVertical: 6, gap: 2 }}>
        <Over entry={entry} when={when} of={of} />
        <Txt tone={muted ? 'quiet' : 'text'} style={muted ? { textDecorationLine: 'line-through' } : null}>
          {text}
        </Txt>
        {foretold !== undefined && (
          <Txt size="label" tone="quiet">
            {foretold}
          </Txt>
        )}
        {verdict !== null && <Txt bold>{texts.verdicts[verdict]}</Txt>}
        {photo !== null && <Photo id={photo.id} name={text} />}
        {onBack !== undefined && (
          <View style={{ alignItems: 'flex-start' }}>
            <ActionButton kind="plain" icon="restore" label={texts.back} name={texts.backTo(text)} onPress={onBack} />
          </View>
        )}
      </View>
      <Deeds entry={entry} shootId={shootId} note={note} />
    </View>
  );
});
