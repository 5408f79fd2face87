import { texts } from './texts';
import { words } from '@/language/words';
import { Txt } from '@/ui/Txt';
import PathIcon from '@/ui/PathIcon';
import { onSpace } from '@/ui/onSpace';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { Pressable, View } from 'react-native';

import type { PackedThing } from '@sphene/core/plan';
import { packedName } from '@sphene/core/sheets';

/** Taken out, and back again. */
export interface Tick {
  out: boolean;
  back: boolean;
}

/** Under which name a tick is kept. @param of the list: of all, or of a setup by its id */
export const tickKey = (of: string, thing: string): string => `${of}:${thing}`;

/** A box that a thumb finds. */
function Box({ label, name, on, onToggle }: { label: string; name: string; on: boolean; onToggle: () => void }) {
  const palette = usePalette();
  return (
    <Pressable
      role="checkbox"
      aria-checked={on}
      aria-label={name}
      onPress={onToggle}
      {...onSpace(onToggle)}
      style={{ minWidth: TOUCH + 8, minHeight: TOUCH + 8, alignItems: 'center', justifyContent: 'center', gap: 2 }}
    >
      <View
        style={{
          width: 26,
          height: 26,
          borderWidth: 2,
          borderColor: on ? palette.accent : palette.line,
          backgroundColor: on ? palette.accent : 'transparent',
          alignItems: 'center',
          justifyContent: 'center',
        }}
      >
        {on && <PathIcon name="check" color={palette.onAccent} size={20} />}
      </View>
      <Txt size="label" tone="quiet">
        {label}
      </Txt>
    </Pressable>
  );
}

/** A thing of the list with its weight, what it is for, and its ticks. What is back was out. */
export function PackedRow({
  thing,
  titles,
  tick,
  onTick,
}: {
  thing: PackedThing;
  titles: readonly string[];
  tick: Tick;
  onTick: (tick: Tick) => void;
}) {
  const palette = usePalette();
  const name = packedName(thing, words);
  const about = [
    words.sheet.kilograms(thing.massKg),
    ...(thing.spare ? [texts.spare] : []),
    ...(titles.length === 0 ? [] : [texts.forSetups(titles.join(', '))]),
  ].join(' · ');
  return (
    <View
      role="listitem"
      style={{ flexDirection: 'row', alignItems: 'center', borderTopWidth: 1, borderTopColor: palette.control, gap: 8 }}
    >
      <View style={{ flex: 1, paddingVertical: 8 }}>
        <Txt bold>{name}</Txt>
        <Txt size="label" tone="quiet">
          {about}
        </Txt>
      </View>
      <Box
        label={texts.out}
        name={texts.tick(texts.out, name)}
        on={tick.out}
        onToggle={() => onTick({ out: !tick.out, back: false })}
      />
      <Box
        label={texts.back}
        name={texts.tick(texts.back, name)}
        on={tick.back}
        onToggle={() => onTick({ out: true, back: !tick.back })}
      />
    </View>
  );
}
