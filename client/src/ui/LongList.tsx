import { memo, type ReactNode, startTransition, useCallback, useState } from 'react';
import {
  type LayoutChangeEvent,
  type NativeScrollEvent,
  type NativeSyntheticEvent,
  ScrollView,
  View,
} from 'react-native';

/** Screens of rows that are drawn over and under the one in view. */
const SCREENS_KEPT = 1.5;
/** Rows are chosen anew each time the view has moved by so many screens. */
const STEP = 1;

interface LongListProps<T> {
  /** over the rows, as tall as it likes */
  head: ReactNode;
  items: readonly T[];
  keyOf: (item: T) => string;
  render: (item: T) => ReactNode;
  /** how tall a row usually is, until it was seen, px */
  usualPx: number;
  mostPx: number;
}

/** Where each row begins under the head, and at last where all of them end, px. */
function beginningsOf<T>(
  items: readonly T[],
  keyOf: (item: T) => string,
  heights: ReadonlyMap<string, number>,
  usualPx: number,
): Float64Array {
  const begins = new Float64Array(items.length + 1);
  items.forEach((item, index) => {
    begins[index + 1] = (begins[index] ?? 0) + (heights.get(keyOf(item)) ?? usualPx);
  });
  return begins;
}

/** The last row that begins at or before a place. */
function rowAt(begins: Float64Array, px: number): number {
  let [from, to] = [0, begins.length - 1];
  while (from < to) {
    const middle = (from + to + 1) >> 1;
    if ((begins[middle] ?? 0) <= px) from = middle;
    else to = middle - 1;
  }
  return from;
}

/** What changes in one row moves nothing within another. */
const BY_ITSELF = { contain: 'content' } as object;

interface RowProps<T> {
  id: string;
  item: T;
  render: (item: T) => ReactNode;
  heights: Map<string, number>;
}

/** One row; while the list scrolls it stays as it is. */
const Row = memo(function Row<T>({ id, item, render, heights }: RowProps<T>) {
  const measured = useCallback(
    ({ nativeEvent }: LayoutChangeEvent) => void heights.set(id, nativeEvent.layout.height),
    [heights, id],
  );
  return (
    <View onLayout={measured} style={BY_ITSELF}>
      {render(item)}
    </View>
  );
}) as <T>(props: RowProps<T>) => ReactNode;

/** A list of thousands of rows under a head: only those about the view are drawn, whatever the head does. */
export function LongList<T>({ head, items, keyOf, render, usualPx, mostPx }: LongListProps<T>) {
  // what is measured counts from the next step on: rows that stand in view flow by themselves meanwhile
  const [heights] = useState(() => new Map<string, number>());
  const [view, setView] = useState({ fromPx: 0, tallPx: 800 });
  const [headPx, setHeadPx] = useState(0);
  const begins = beginningsOf(items, keyOf, heights, usualPx);
  const headMeasured = useCallback(({ nativeEvent }: LayoutChangeEvent) => setHeadPx(nativeEvent.layout.height), []);
  const seen = ({ nativeEvent: { contentOffset, layoutMeasurement } }: NativeSyntheticEvent<NativeScrollEvent>) => {
    const tallPx = layoutMeasurement.height;
    const stepPx = Math.max(100, tallPx * STEP);
    const fromPx = Math.floor(contentOffset.y / stepPx) * stepPx;
    // between frames: rows that come into view soon must not hold up the thumb that brings them
    if (fromPx !== view.fromPx || tallPx !== view.tallPx) startTransition(() => setView({ fromPx, tallPx }));
  };
  const over = SCREENS_KEPT * view.tallPx;
  const first = rowAt(begins, Math.max(0, view.fromPx - headPx - over));
  const last = Math.min(items.length - 1, rowAt(begins, view.fromPx - headPx + view.tallPx * (1 + STEP) + over));
  const shown = last < first ? [] : items.slice(first, last + 1);
  return (
    <ScrollView
      tabIndex={0}
      onScroll={seen}
      scrollEventThrottle={16}
      onLayout={({ nativeEvent }) => setView((now) => ({ ...now, tallPx: nativeEvent.layout.height }))}
      keyboardShouldPersistTaps="handled"
      contentContainerStyle={{ padding: 16, maxWidth: mostPx, width: '100%', alignSelf: 'center' }}
    >
      <View onLayout={headMeasured}>{head}</View>
      <View style={{ height: begins[first] ?? 0 }} />
      {shown.map((item) => (
        <Row key={keyOf(item)} id={keyOf(item)} item={item} render={render} heights={heights} />
      ))}
      <View style={{ height: Math.max(0, (begins[items.length] ?? 0) - (begins[last + 1] ?? 0)) }} />
    </ScrollView>
  );
}
