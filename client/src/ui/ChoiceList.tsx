import { type ReactNode, useEffect, useRef } from 'react';
import { ScrollView, View } from 'react-native';

import { Chip } from './Chip';
import { Txt } from './Txt';
import { onSpace } from './onSpace';
import { usePalette } from './theme';

export interface Choice<T> {
  value: T;
  label: string;
  note?: string;
}

/** The choices wrap, share one row, or scroll sideways in one row without a ground of their own. */
type Layout = 'wrap' | 'row' | 'scroll';

interface ChoiceListProps<T> {
  label: string;
  choices: readonly Choice<T>[];
  value: T | undefined;
  onChoose: (value: T) => void;
  showLabel?: boolean;
  /** only what is chosen explains itself, or each does where that is what it is chosen by */
  notes?: 'chosen' | 'each';
  layout?: Layout;
}

const CHIP_STYLE = {
  wrap: {},
  row: { flexBasis: 0, minWidth: 0, paddingHorizontal: 4 },
  scroll: { minWidth: 92, paddingHorizontal: 8 },
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

/** What stands over the choices, and under them what is chosen says of itself. */
function Around({
  label,
  explained,
  children,
}: {
  label: string | null;
  explained: string | undefined;
  children: ReactNode;
}) {
  return (
    <View style={{ gap: 4 }}>
      {label !== null && (
        <Txt size="label" tone="quiet">
          {label}
        </Txt>
      )}
      {children}
      {explained !== undefined && (
        <Txt size="label" tone="quiet" aria-hidden>
          {explained}
        </Txt>
      )}
    </View>
  );
}

/** One of several, as one segmented control. Arrow keys move between them as in any radio group. */
export function ChoiceList<T extends string | null>({
  label,
  choices,
  value,
  onChoose,
  showLabel = true,
  notes = 'chosen',
  layout = 'wrap',
}: ChoiceListProps<T>) {
  const chosen = choices.findIndex((choice) => choice.value === value);
  const palette = usePalette();
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
      style={{
        flexDirection: 'row',
        flexWrap: layout === 'wrap' ? 'wrap' : 'nowrap',
        flexGrow: 1,
        borderRadius: 4,
        backgroundColor: layout === 'scroll' ? 'transparent' : palette.raised,
      }}
    >
      {choices.map((choice, index) => (
        <Chip
          key={choice.value ?? 'none'}
          role="radio"
          label={choice.label}
          note={choice.note}
          noted={notes === 'each'}
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
    <Around label={showLabel ? label : null} explained={notes === 'chosen' ? choices[chosen]?.note : undefined}>
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
    </Around>
  );
}
