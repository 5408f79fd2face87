import { useEffect, useRef } from 'react';
import { Pressable, ScrollView, View } from 'react-native';

import { Txt } from './Txt';
import { onSpace } from './onSpace';
import { TOUCH } from './palette';
import { usePalette } from './theme';

export interface Choice<T> {
  value: T;
  label: string;
  note?: string;
}

/** Chips wrap, share one row, or scroll sideways in one row. */
type Layout = 'wrap' | 'row' | 'scroll';

/** One of several, as chips. Arrow keys move between them as in any radio group. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function ChoiceList<T extends string | null>({
  label,
  choices,
  value,
  onChoose,
  showLabel = true,
  layout = 'wrap',
}: {
  label: string;
  choices: readonly Choice<T>[];
  value: T | undefined;
  onChoose: (value: T) => void;
  showLabel?: boolean;
  layout?: Layout;
}) {
  const palette = usePalette();
  const chosen = choices.findIndex((choice) => choice.value === value);
  const group = useRef<View>(null);
  const scroller = useRef<ScrollView>(null);
  useEffect(() => {
    // sideways only: scrollIntoView would move the whole page to these chips
    const chip = (group.current as unknown as HTMLElement | null)?.children[chosen] as HTMLElement | undefined;
    const width = (scroller.current?.getScrollableNode() as HTMLElement | undefined)?.clientWidth ?? 0;
    if (layout === 'scroll' && chip !== undefined)
      scroller.current?.scrollTo({ x: chip.offsetLeft - (width - chip.offsetWidth) / 2, animated: false });
  }, [chosen, layout]);
  const move = (key: string, index: number, radios: HTMLElement | null | undefined) => {
    const by = key === 'ArrowRight' || key === 'ArrowDown' ? 1 : key === 'ArrowLeft' || key === 'ArrowUp' ? -1 : 0;
    const next = (index + by + choices.length) % choices.length;
    const choice = choices[next];
    if (by === 0 || choice === undefined) return false;
    onChoose(choice.value);
    radios?.querySelectorAll<HTMLElement>('[role=radio]')[next]?.focus();
    return true;
  };
  const chipStyle =
    layout === 'row'
      ? { flexBasis: 0, minWidth: 0, paddingHorizontal: 4 }
      : layout === 'scroll'
        ? { minWidth: 104, paddingHorizontal: 8 }
        : { paddingHorizontal: 12 };
  const chips = (
    <View
      ref={group}
      role="radiogroup"
      aria-label={label}
      style={{ flexDirection: 'row', flexWrap: layout === 'wrap' ? 'wrap' : 'nowrap', gap: 8, flexGrow: 1 }}
    >
      {choices.map((choice, index) => {
        const selected = index === chosen;
        const keys = {
          onKeyDown: (event: { key: string; currentTarget: HTMLElement; preventDefault: () => void }) => {
            if (move(event.key, index, event.currentTarget.parentElement)) event.preventDefault();
            else onSpace(() => onChoose(choice.value)).onKeyDown(event);
          },
        };
        return (
          <Pressable
            key={choice.value ?? 'none'}
            role="radio"
            aria-checked={selected}
            aria-label={choice.note === undefined ? choice.label : `${choice.label}, ${choice.note}`}
            onPress={() => onChoose(choice.value)}
            tabIndex={selected || (chosen < 0 && index === 0) ? 0 : -1}
            {...(keys as object)}
            style={{
              minHeight: TOUCH,
              flexGrow: 1,
              ...chipStyle,
              paddingVertical: 6,
              justifyContent: 'center',
              borderWidth: selected ? 2 : 1,
              borderRadius: 4,
              borderColor: selected ? palette.accent : palette.line,
              backgroundColor: selected ? palette.raised : 'transparent',
            }}
          >
            <Txt bold={selected} style={{ textAlign: 'center' }}>
              {choice.label}
            </Txt>
            {choice.note !== undefined && (
              <Txt size="label" tone="quiet" style={{ textAlign: 'center' }}>
                {choice.note}
              </Txt>
            )}
          </Pressable>
        );
      })}
    </View>
  );
  return (
    <View style={{ gap: 4 }}>
      {showLabel && (
        <Txt size="label" tone="quiet">
          {label}
        </Txt>
      )}
      {layout === 'scroll' ? (
        <ScrollView
          ref={scroller}
          horizontal
          showsHorizontalScrollIndicator={false}
          contentContainerStyle={{ flexGrow: 1 }}
        >
          {chips}
        </ScrollView>
      ) : (
        chips
      )}
    </View>
  );
}
