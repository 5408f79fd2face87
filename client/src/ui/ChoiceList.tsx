import { useEffect, useRef } from 'react';
import { ScrollView, View } from 'react-native';

import { Chip } from './Chip';
import { Txt } from './Txt';
import { onSpace } from './onSpace';

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
  wrap: {},
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
          role="radio"
          label={choice.label}
          note={choice.note}
          on={index === chosen}
          tabIndex={index === chosen || (chosen < 0 && index === 0) ? 0 : -1}
          onPress={() => onChoose(choice.value)}
          keys={{
            onKeyDown: (event: { key: string; currentTarget: HTMLElement; preventDefault: () => void }) => {
              if (move(event.key, index, event.currentTarget)) event.preventDefault();
              else onSpace(() => onChoose(choice.value)).onKeyDown(event);
            },
          }}
          style={CHIP_STYLE[layout]}
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
