import { Pressable, View } from 'react-native';

import { Txt } from './Txt';
import { TOUCH } from './palette';
import { usePalette } from './theme';

export interface Choice<T> {
  value: T;
  label: string;
  note?: string;
}

/** One of several, all in view: chips that wrap. Arrow keys move between them as in any radio group. */
export function ChoiceList<T extends string | null>({ label, choices, value, onChoose, showLabel = true, oneRow = false }: { label: string; choices: readonly Choice<T>[]; value: T | undefined; onChoose: (value: T) => void; showLabel?: boolean; oneRow?: boolean }) {
  const palette = usePalette();
  const chosen = choices.findIndex((choice) => choice.value === value);
  const move = (key: string, index: number, group: HTMLElement | null | undefined) => {
    const by = key === 'ArrowRight' || key === 'ArrowDown' ? 1 : key === 'ArrowLeft' || key === 'ArrowUp' ? -1 : 0;
    const next = (index + by + choices.length) % choices.length;
    const choice = choices[next];
    if (by === 0 || choice === undefined) return false;
    onChoose(choice.value);
    group?.querySelectorAll<HTMLElement>('[role=radio]')[next]?.focus();
    return true;
  };
  return (
    <View style={{ gap: 4 }}>
      {showLabel && <Txt size="label" tone="quiet">{label}</Txt>}
      <View role="radiogroup" aria-label={label} style={{ flexDirection: 'row', flexWrap: oneRow ? 'nowrap' : 'wrap', gap: 8 }}>
        {choices.map((choice, index) => {
          const selected = index === chosen;
          const keys = { onKeyDown: (event: { key: string; currentTarget: HTMLElement; preventDefault: () => void }) => { if (move(event.key, index, event.currentTarget.parentElement)) event.preventDefault(); } };
          return (
            <Pressable key={choice.value ?? 'none'} role="radio" aria-checked={selected} aria-label={choice.note === undefined ? choice.label : `${choice.label}, ${choice.note}`} onPress={() => onChoose(choice.value)}
              tabIndex={selected || (chosen < 0 && index === 0) ? 0 : -1} {...(keys as object)}
              style={{ minHeight: TOUCH, flexGrow: 1, ...(oneRow ? { flexBasis: 0, minWidth: 0 } : null), paddingHorizontal: oneRow ? 4 : 12, paddingVertical: 6, justifyContent: 'center', borderWidth: selected ? 2 : 1, borderRadius: 4, borderColor: selected ? palette.accent : palette.line, backgroundColor: selected ? palette.raised : 'transparent' }}>
              <Txt bold={selected} style={{ textAlign: 'center' }}>{choice.label}</Txt>
              {choice.note !== undefined && <Txt size="label" tone="quiet" style={{ textAlign: 'center' }}>{choice.note}</Txt>}
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}
