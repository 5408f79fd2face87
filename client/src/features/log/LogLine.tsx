import { texts } from './texts';
import { useFrameImage } from '@/setupView/useFrameImage';
import { useActions } from '@/store/application';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import PathIcon from '@/ui/PathIcon';
import { Txt } from '@/ui/Txt';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { memo } from 'react';
import { Image, StyleSheet, View } from 'react-native';

import type { Note } from '@sphene/core/record';
import type { Entry } from './entries';

const PHOTO_PX = 120;

const styles = StyleSheet.create({
  line: { borderTopWidth: 1, minHeight: TOUCH, justifyContent: 'center', paddingVertical: 6, gap: 2 },
  muted: { textDecorationLine: 'line-through' },
  photo: { width: PHOTO_PX, height: PHOTO_PX * 0.75 },
  roomForOne: { paddingRight: TOUCH + 8 },
  roomForTwo: { paddingRight: 2 * TOUCH + 8 },
  deeds: { position: 'absolute', right: 0, top: 0, bottom: 0, flexDirection: 'row', alignItems: 'center' },
  back: { alignItems: 'flex-start' },
  star: { width: TOUCH, height: TOUCH, alignItems: 'center', justifyContent: 'center' },
});

/** The photograph of an entry, small. */
function Photo({ id, name }: { id: string; name: string }) {
  const image = useFrameImage(id);
  if (image == null) return null;
  return <Image source={{ uri: image }} accessibilityLabel={name} resizeMode="cover" style={styles.photo} />;
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
  /** this device could not keep it */
  isUnkept: boolean;
  /** without what one does with it, while it passes by */
  isPassing?: boolean;
  /** leads back to how it was then */
  onBack?: (() => void) | undefined;
}

/** What is over the text: when, of what, and whether it counts. */
function Over({ entry, when, of, isUnkept }: Pick<LogLineProps, 'entry' | 'when' | 'of' | 'isUnkept'>) {
  const { muted, fact } = entry;
  const mark = fact === null ? texts.afterTakenBack : texts.afterStruckOut;
  return (
    <Txt size="label" tone="quiet">
      {of === undefined ? when : `${when} · ${of}`}
      {muted ? mark : ''}
      {isUnkept ? texts.afterNotKept : ''}
    </Txt>
  );
}

/** What can be done with an entry: a star, striking out, removing a note. */
function Deeds({
  entry,
  shootId,
  note,
  starred,
}: Pick<LogLineProps, 'entry' | 'shootId' | 'note'> & { starred: boolean }) {
  const actions = useActions();
  const { id, text, muted, fact, setupId } = entry;
  return (
    <View style={styles.deeds}>
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

/** The star of a line that passes by, where its button comes to stand. */
function PassingStar({ isAlone }: { isAlone: boolean }) {
  const palette = usePalette();
  return (
    <View style={styles.deeds}>
      <View style={styles.star}>
        <PathIcon name="star" color={palette.text} />
      </View>
      {!isAlone && <View style={styles.star} />}
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
  isUnkept,
  isPassing = false,
  onBack,
}: LogLineProps) {
  const palette = usePalette();
  const { text, muted, photo } = entry;
  const said = entry.note ?? note;
  const verdict = said?.verdict ?? null;
  const starred = said?.star === true;
  const isAlone = entry.fact === null && entry.note === null;
  return (
    <View
      role={role}
      {...(role === 'article' ? { 'aria-label': text } : null)}
      style={[styles.line, isAlone ? styles.roomForOne : styles.roomForTwo, { borderTopColor: palette.raised }]}
    >
      <Over entry={entry} when={when} of={of} isUnkept={isUnkept} />
      <Txt tone={muted ? 'quiet' : 'text'} style={muted ? styles.muted : null}>
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
        <View style={styles.back}>
          <ActionButton kind="plain" icon="restore" label={texts.back} name={texts.backTo(text)} onPress={onBack} />
        </View>
      )}
      {isPassing ? (
        starred && <PassingStar isAlone={isAlone} />
      ) : (
        <Deeds entry={entry} shootId={shootId} note={note} starred={starred} />
      )}
    </View>
  );
});
