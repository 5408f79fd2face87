import { useState } from 'react';
import { View } from 'react-native';

import type { Sheet, SheetBlock } from '@sphene/core/sheets';
import { StageSketch } from './StageSketch';
import { Heading, Txt } from './Txt';
import { usePalette } from './theme';

type Figure = { label: string; value: string };

/** Labels with their values, side by side as far as they fit. */
function Figures({ figures }: { figures: readonly Figure[] }) {
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 24, rowGap: 8 }}>
      {figures.map(({ label, value }) => (
        <View key={label} style={{ minWidth: 96, maxWidth: '100%' }}>
          <Txt size="label" tone="quiet">
            {label}
          </Txt>
          <Txt size="value" bold>
            {value}
          </Txt>
        </View>
      ))}
    </View>
  );
}

/** One thing under its letter, as large as it is read from an arm's length. */
function Thing({ block }: { block: Extract<SheetBlock, { kind: 'thing' }> }) {
  const palette = usePalette();
  return (
    <View
      role="group"
      aria-label={`${block.mark} ${block.title}`}
      style={{ flexDirection: 'row', gap: 16, borderTopWidth: 2, borderTopColor: palette.line, paddingTop: 12 }}
    >
      <Txt size="figure" bold tone="flash" style={{ minWidth: 48 }}>
        {block.mark}
      </Txt>
      <View style={{ flex: 1, gap: 8 }}>
        <View>
          <Heading level={3} size="value">
            {block.title}
          </Heading>
          {block.lines.map((line) => (
            <Txt key={line}>{line}</Txt>
          ))}
        </View>
        <Figures figures={block.figures} />
      </View>
    </View>
  );
}

/** Items, each after its number or sign. */
function Items({ items, mark }: { items: readonly string[]; mark: (index: number) => string }) {
  return (
    <View role="list" style={{ gap: 8 }}>
      {items.map((item, index) => (
        <View key={item} role="listitem" style={{ flexDirection: 'row', gap: 12 }}>
          <Txt bold aria-hidden style={{ minWidth: 20 }}>
            {mark(index)}
          </Txt>
          <Txt style={{ flex: 1 }}>{item}</Txt>
        </View>
      ))}
    </View>
  );
}

/** A row of a table as a narrow screen has it: each cell under what it is. */
function TableRow({ head, cells }: { head: readonly string[]; cells: readonly string[] }) {
  const palette = usePalette();
  const [first = '', ...rest] = cells;
  return (
    <View role="listitem" style={{ borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: 8, gap: 2 }}>
      <Txt bold>{first}</Txt>
      {rest.map((cell, index) =>
        cell === '' ? null : (
          <Txt key={head[index + 1] ?? index}>
            <Txt tone="quiet">{head[index + 1] ?? ''} </Txt>
            {cell}
          </Txt>
        ),
      )}
    </View>
  );
}

function Block({ block, widthPx }: { block: SheetBlock; widthPx: number }) {
  switch (block.kind) {
    case 'drawing':
      return <StageSketch drawing={block.drawing} widthPx={widthPx} />;
    case 'heading':
      return (
        <View style={{ paddingTop: 8 }}>
          <Heading size="value">{block.text}</Heading>
        </View>
      );
    case 'figures':
      return <Figures figures={block.figures} />;
    case 'thing':
      return <Thing block={block} />;
    case 'steps':
      return <Items items={block.items} mark={(index) => String(index + 1)} />;
    case 'cautions':
      return <Items items={block.items} mark={() => '!'} />;
    case 'ticks':
      return <Items items={block.items} mark={() => '·'} />;
    case 'table':
      return (
        <View role="list">
          {block.rows.map((cells, index) => (
            <TableRow key={index} head={block.head} cells={cells} />
          ))}
        </View>
      );
    case 'text':
      return <Txt>{block.text}</Txt>;
  }
}

/** A sheet on a screen: what is printed too, in the same order. */
export function SheetView({ sheet }: { sheet: Sheet }) {
  const [widthPx, setWidthPx] = useState(0);
  return (
    <View style={{ gap: 16 }} onLayout={({ nativeEvent }) => setWidthPx(nativeEvent.layout.width)}>
      {widthPx > 0 && sheet.blocks.map((block, index) => <Block key={index} block={block} widthPx={widthPx} />)}
    </View>
  );
}
