import { type ReactNode, useCallback, useMemo, useRef, useState } from 'react';
import {
  type LayoutChangeEvent,
  type NativeScrollEvent,
  type NativeSyntheticEvent,
  ScrollView,
  View,
} from 'react-native';

/** Screens of rows that are drawn over and under the one in view. */
const SCREENS_KEPT = 1;
/** Rows are chosen anew each time the view has moved by this part of a screen. */
const STEP = 0.5;

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

/** Rows that were measured, and a number that grows whenever one came out otherwise than it was. */
function useHeights() {
  const heights = useRef(new Map<string, number>());
  const [version, setVersion] = useState(0);
  const waiting = useRef(false);
  const measured = useCallback((key: string, px: number) => {
    if (heights.current.get(key) === px) return;
    heights.current.set(key, px);
    if (waiting.current) return;
    waiting.current = true;
    // all rows of a frame at once
    requestAnimationFrame(() => {
      waiting.current = false;
      setVersion((now) => now + 1);
    });
  }, []);
  return { heights, version, measured };
}

/** A list of thousands of rows under a head: only those about the view are drawn, whatever the head does. */
export function LongList<T>({ head, items, keyOf, render, usualPx, mostPx }: LongListProps<T>) {
  const { heights, version, measured } = useHeights();
  const [view, setView] = useState({ fromPx: 0, tallPx: 800 });
  const [headPx, setHeadPx] = useState(0);
  const begins = useMemo(
    () => (version < 0 ? new Float64Array(1) : beginningsOf(items, keyOf, heights.current, usualPx)),
    [items, keyOf, heights, usualPx, version],
  );
  const seen = ({ nativeEvent: { contentOffset, layoutMeasurement } }: NativeSyntheticEvent<NativeScrollEvent>) => {
    const tallPx = layoutMeasurement.height;
    const stepPx = Math.max(100, tallPx * STEP);
    const fromPx = Math.floor(contentOffset.y / stepPx) * stepPx;
    if (fromPx !== view.fromPx || tallPx !== view.tallPx) setView({ fromPx, tallPx });
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
      <View onLayout={({ nativeEvent }: LayoutChangeEvent) => setHeadPx(nativeEvent.layout.height)}>{head}</View>
      <View style={{ height: begins[first] ?? 0 }} />
      {shown.map((item) => {
        const key = keyOf(item);
        return (
          <View key={key} onLayout={({ nativeEvent }: LayoutChangeEvent) => measured(key, nativeEvent.layout.height)}>
            {render(item)}
          </View>
        );
      })}
      <View style={{ height: Math.max(0, (begins[items.length] ?? 0) - (begins[last + 1] ?? 0)) }} />
    </ScrollView>
  );
}
