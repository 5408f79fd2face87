import { texts } from './texts';
import { KeptTextField } from '@/shell/KeptTextField';
import { useActions } from '@/store/application';
import { selectDocument, selectSetups } from '@/store/selectors';
import { useAppSelector } from '@/store/store';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { Disclosure } from '@/ui/Disclosure';
import { pickFile, pickFiles } from '@/ui/pickFile';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import { useRouter } from 'expo-router';
import { View } from 'react-native';

import type { Setup } from '@sphene/core/setup';
import { formatOffset, readOffset } from './offset';
import { Sidecars } from './Sidecars';
import { type PlacedRoll, useRolls } from './useRolls';
import { type Said, useTakeRoll } from './useTakeRoll';

const PICTURES = 'image/jpeg,.jpg,.jpeg';

/** How many frames of a roll each setup has, in the order in which they were made. */
function countsOf({ frames }: PlacedRoll): { setupId: string | null; count: number; first: string; last: string }[] {
  const counts = new Map<string | null, { setupId: string | null; count: number; first: string; last: string }>();
  for (const { name, setupId } of frames) {
    const before = counts.get(setupId);
    if (before === undefined) counts.set(setupId, { setupId, count: 1, first: name, last: name });
    else counts.set(setupId, { ...before, count: before.count + 1, last: name });
  }
  return [...counts.values()];
}

/** One camera: where its frames belong, and how far its clock is off. */
function Roll({
  placed,
  setups,
  onSaid,
  onPhotograph,
}: {
  placed: PlacedRoll;
  setups: readonly Setup[];
  onSaid: (said: Said | null) => void;
  onPhotograph: (file: File) => void;
}) {
  const palette = usePalette();
  const actions = useActions();
  const { roll } = placed;
  const camera = roll.camera === '' ? texts.someCamera : roll.camera;
  const keepOffset = (text: string): boolean => {
    const offsetS = readOffset(text);
    onSaid(offsetS === undefined ? { text: texts.offsetWrong, wrong: true } : null);
    return offsetS !== undefined && actions.setRoll(roll.shootId, roll.camera, { offsetS, offsetFrom: 'typed' });
  };
  return (
    <View
      role="group"
      aria-label={camera}
      style={{ borderTopWidth: 1, borderTopColor: palette.line, gap: 8, paddingTop: 8 }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
        <Txt bold style={{ flexShrink: 1 }}>
          {texts.framesOf(camera, roll.frames.length)}
        </Txt>
        <IconButton
          icon="trash-can-outline"
          name={texts.remove(camera)}
          onPress={() => actions.removeRecord(roll, texts.framesOf(camera, roll.frames.length))}
        />
      </View>
      {countsOf(placed).map(({ setupId, count, first, last }) => {
        const title = setups.find(({ id }) => id === setupId)?.title;
        return (
          <Txt key={setupId ?? ''} tone={title === undefined ? 'quiet' : 'text'}>
            {title === undefined ? texts.nowhere(count) : texts.perSetup(title, count, first, last)}
          </Txt>
        );
      })}
      <View style={{ flexDirection: 'row' }}>
        <KeptTextField
          label={`${texts.offset} (${texts.offsetFrom[roll.offsetFrom]})`}
          value={formatOffset(roll.offsetS)}
          placeholder={texts.offsetHint}
          most={16}
          onKeep={keepOffset}
        />
      </View>
      <View style={{ alignItems: 'flex-start' }}>
        <ActionButton
          kind="plain"
          icon="image-plus-outline"
          label={texts.photographed}
          onPress={() => pickFile(PICTURES, onPhotograph)}
        />
      </View>
    </View>
  );
}

/** Frames made with the camera: put to setups by their time, with sidecars that say how each was lit. */
export function RollPart({ shootId }: { shootId: string }) {
  const router = useRouter();
  const rolls = useRolls(shootId);
  const setups = useAppSelector(selectSetups).filter((setup) => setup.shootId === shootId);
  const timeZone = useAppSelector((state) => selectDocument(state, 'shoot', shootId)?.timeZone ?? 'UTC');
  const { said, setSaid, progress, stop, take, byPhotograph } = useTakeRoll(
    shootId,
    rolls.map(({ roll }) => roll),
    timeZone,
  );
  return (
    <Disclosure title={texts.roll} summary={texts.rollSummary}>
      <Txt>{texts.what}</Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <ActionButton
          icon="image-plus-outline"
          label={texts.choose}
          disabled={progress !== null}
          onPress={() => pickFiles(PICTURES, (files) => void take(files))}
        />
        <ActionButton
          kind="plain"
          icon="chevron-right"
          label={texts.showClock}
          onPress={() => router.navigate('/clock')}
        />
      </View>
      {progress !== null && (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Txt role="status">{texts.reading(progress.done, progress.all)}</Txt>
          <ActionButton kind="plain" icon="close" label={texts.stop} onPress={stop} />
        </View>
      )}
      {said !== null && (
        <Txt role={said.wrong ? 'alert' : 'status'} tone={said.wrong ? 'danger' : 'text'}>
          {said.text}
        </Txt>
      )}
      {rolls.map((placed) => (
        <Roll
          key={placed.roll.id}
          placed={placed}
          setups={setups}
          onSaid={setSaid}
          onPhotograph={(file) => void byPhotograph(placed.roll, file)}
        />
      ))}
      <Sidecars shootId={shootId} frames={rolls.flatMap(({ frames }) => frames)} />
    </Disclosure>
  );
}
