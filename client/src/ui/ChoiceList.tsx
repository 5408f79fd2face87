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

interface ChoiceListProps<T> {
  label: string;
  choices: readonly Choice<T>[];
  value: T | undefined;
  onChoose: (value: T) => void;
  showLabel?: boolean;
  layout?: Layout;
}

const CHIP_STYLE = {
  wrap: { paddingHorizontal: 12 },
  row: { flexBasis: 0, minWidth: 0, paddingHorizontal: 4 },
  scroll: { minWidth: 104, paddingHorizontal: 8 },
} as const;
const BY_KEY: Partial<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** Keeps the chosen chip of a row that scrolls in view. */
function useChosenInView(chosen: number, layout: Layout) {
  const group = useRef<View>(null);
  const scroller = useRef<ScrollView>(null);
  useEffect(() => {
    // sideways only: scrollIntoView would move the whole page to these chips
    const chip = (group.current as unknown as HTMLElement | null)?.children[chosen] as HTMLElement | undefined;
    const width = (scroller.current?.getScrollableNode() as HTMLElement | undefined)?.clientWidth ?? 0;
    if (layout === 'scroll' && chip !== undefined)
      scroller.current?.scrollTo({ x: chip.offsetLeft - (width - chip.offsetWidth) / 2, animated: false });
  }, [chosen, layout]);
  return { group, scroller };
}

/** One chip: what it is, and in a few words what it means. */
function Chip<T>({
  choice: { label, note },
  selected,
  focusable,
  layout,
  onPress,
  onKey,
}: {
  choice: Choice<T>;
  selected: boolean;
  focusable: boolean;
  layout: Layout;
  onPress: () => void;
  /** true when the key moved the choice */
  onKey: (key: string, chip: HTMLElement) => boolean;
}) {
  const palette = usePalette();
  const keys = {
    onKeyDown: (event: { key: string; currentTarget: HTMLElement; preventDefault: () => void }) => {
      if (onKey(event.key, event.currentTarget)) event.preventDefault();
      else onSpace(onPress).onKeyDown(event);
    },
  };
  return (
    <Pressable
      role="radio"
      aria-checked={selected}
      aria-label={note === undefined ? label : `${label}, ${note}`}
      onPress={onPress}
      tabIndex={focusable ? 0 : -1}
      {...(keys as object)}
      style={{
        minHeight: TOUCH,
        flexGrow: 1,
        ...CHIP_STYLE[layout],
        paddingVertical: 6,
        justifyContent: 'center',
        borderWidth: selected ? 2 : 1,
        borderRadius: 4,
        borderColor: selected ? palette.accent : palette.line,
        backgroundColor: selected ? palette.raised : 'transparent',
      }}
    >
      <Txt bold={selected} style={{ textAlign: 'center' }}>
        {label}
      </Txt>
      {note !== undefined && (
        <Txt size="label" tone="quiet" style={{ textAlign: 'center' }}>
          {note}
        </Txt>
      )}
    </Pressable>
  );
}

/** One of several, as chips. Arrow keys move between them as in any radio group. */
export function ChoiceList<T extends string | null>({
  label,
  choices,
  value,
  onChoose,
  showLabel = true,
  layout = 'wrap',
}: ChoiceListProps<T>) {
  const chosen = choices.findIndex((choice) => choice.value === value);
  const { group, scroller } = useChosenInView(chosen, layout);
  const move = (key: string, index: number, chip: HTMLElement): boolean => {
    const next = (index + (BY_KEY[key] ?? 0) + choices.length) % choices.length;
    const choice = choices[next];
    if (BY_KEY[key] === undefined || choice === undefined) return false;
    onChoose(choice.value);
    chip.parentElement?.querySelectorAll<HTMLElement>('[role=radio]')[next]?.focus();
    return true;
  };
  const chips = (
    <View
      ref={group}
      role="radiogroup"
      aria-label={label}
      style={{ flexDirection: 'row', flexWrap: layout === 'wrap' ? 'wrap' : 'nowrap', gap: 8, flexGrow: 1 }}
    >
      {choices.map((choice, index) => (
        <Chip
          key={choice.value ?? 'none'}
          choice={choice}
          selected={index === chosen}
          focusable={index === chosen || (chosen < 0 && index === 0)}
          layout={layout}
          onPress={() => onChoose(choice.value)}
          onKey={(key, chip) => move(key, index, chip)}
        />
      ))}
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
