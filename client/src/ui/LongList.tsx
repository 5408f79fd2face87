import { memo, type ReactNode, useLayoutEffect, useState, useSyncExternalStore } from 'react';
import { type NativeScrollEvent, type NativeSyntheticEvent, ScrollView, View } from 'react-native';

import { DrawnRows } from './drawnRows';

interface LongListProps<T> {
  /** over the rows, as tall as it likes */
  head: ReactNode;
  items: readonly T[];
  keyOf: (item: T) => string;
  /** A row, which is one view; what one only does while the list rests may be left out until it is whole, in room that is kept for it. */
  render: (item: T, isWhole: boolean) => ReactNode;
  /** how tall a row usually is, until it was seen, px */
  usualPx: number;
  mostPx: number;
}

interface RowProps<T> {
  item: T;
  isWhole: boolean;
  render: (item: T, isWhole: boolean) => ReactNode;
}

/** One row; while the list scrolls it stays as it is. */
const Row = memo(function Row<T>({ item, isWhole, render }: RowProps<T>) {
  return render(item, isWhole);
}) as <T>(props: RowProps<T>) => ReactNode;

/** A list of thousands of rows under a head: only those about the view are drawn, whatever the head does. */
export function LongList<T>({ head, items, keyOf, render, usualPx, mostPx }: LongListProps<T>) {
  const [rows] = useState(() => new DrawnRows(usualPx));
  const { from, to, beforePx, afterPx, whole } = useSyncExternalStore(rows.follow, rows.now);
  useLayoutEffect(() => rows.rowsAre(items.map(keyOf)), [rows, items, keyOf]);
  const scrolled = ({ nativeEvent }: NativeSyntheticEvent<NativeScrollEvent>) =>
    rows.scrolledTo(nativeEvent.contentOffset.y);
  return (
    <ScrollView
      tabIndex={0}
      onScroll={scrolled}
      scrollEventThrottle={16}
      onLayout={({ nativeEvent }) => rows.viewIs(nativeEvent.layout.height)}
      keyboardShouldPersistTaps="handled"
      contentContainerStyle={{ padding: 16, maxWidth: mostPx, width: '100%', alignSelf: 'center' }}
    >
      <View onLayout={({ nativeEvent }) => rows.headIs(nativeEvent.layout.height)}>{head}</View>
      <View style={{ height: beforePx }} />
      <View
        ref={(box) => {
          rows.box = box as unknown as HTMLElement | null;
        }}
      >
        {items.slice(from, to).map((item, index) => (
          <Row
            key={keyOf(item)}
            item={item}
            isWhole={from + index >= whole.from && from + index < whole.to}
            render={render}
          />
        ))}
      </View>
      <View style={{ height: afterPx }} />
    </ScrollView>
  );
}
