import { useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import { HOLD_BACK_RANGE, LOOK_MARKS, sayLook } from '@sphene/core/balance';
import { formatShare, formatStopCount, formatStops, roundToStep } from '@sphene/core/photometry';

import { IconButton } from './ActionButton';
import { Txt } from './Txt';
import { TOUCH } from './palette';
import { usePalette } from './theme';

interface HoldBackControlProps {
  value: number;
  /** while it moves */
  onDraft: (value: number) => void;
  /** when it is let go */
  onChange: (value: number) => void;
}

const { least, most } = HOLD_BACK_RANGE;
/** The track is drawn in equal steps of share up to even light and stretched beyond: fine where looks differ most. */
const toTrack = (stops: number): number => Math.sqrt((stops - least) / (most - least));
const fromTrack = (place: number): number => least + (most - least) * Math.min(1, Math.max(0, place)) ** 2;
const tenth = (stops: number): number => Math.min(most, Math.max(least, roundToStep(stops, 0.1)));

/** The one control for the look: how far the ambient on the face is held back, said in stops, share and words at once. */
export function HoldBackControl({ value, onDraft, onChange }: HoldBackControlProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(300);
  const start = useRef<{ x: number; place: number; value: number } | null>(null);
  const look = sayLook(value);
  const place = toTrack(value) * (width - TOUCH);

  const at = (clientX: number) => tenth(fromTrack((start.current === null ? 0 : start.current.place + clientX - start.current.x) / (width - TOUCH)));
  const handle = {
    onPointerDown: (event: { currentTarget: Element; pointerId: number; clientX: number }) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      start.current = { x: event.clientX, place, value };
    },
    onPointerMove: (event: { clientX: number }) => {
      if (start.current === null || at(event.clientX) === value) return;
      onDraft(at(event.clientX));
    },
    onPointerUp: (event: { clientX: number }) => {
      const moved = start.current !== null && Math.abs(event.clientX - start.current.x) > 2;
      const next = at(event.clientX);
      start.current = null;
      if (moved) onChange(next);
    },
    onPointerCancel: () => {
      const before = start.current?.value;
      start.current = null;
      if (before !== undefined) onChange(before);
    },
    onKeyDown: (event: { key: string; preventDefault: () => void }) => {
      const by = { ArrowRight: 0.1, ArrowUp: 0.1, ArrowLeft: -0.1, ArrowDown: -0.1, PageUp: 0.5, PageDown: -0.5 }[event.key];
      const to = event.key === 'Home' ? least : event.key === 'End' ? most : by === undefined ? undefined : tenth(value + by);
      if (to === undefined) return;
      event.preventDefault();
      onChange(to);
    },
  };
  const said = `${formatStopCount(value)} stops, flash share ${formatShare(look.flashShare)}. ${look.words}`;

  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'flex-end', justifyContent: 'space-between' }}>
        <View>
          <Txt size="label" tone="quiet">Ambient held back</Txt>
          <Txt size="figure" bold>{formatStopCount(value)}<Txt size="text" tone="quiet"> stops</Txt></Txt>
        </View>
        <View style={{ alignItems: 'flex-end' }}>
          <Txt size="label" tone="quiet">Flash share</Txt>
          <Txt size="figure" bold tone="flash">{formatShare(look.flashShare)}</Txt>
        </View>
      </View>
      <Txt>{look.words}. <Txt tone="quiet">Flash against ambient {formatStops(look.flashMinusAmbientStops)}.</Txt></Txt>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <IconButton icon="minus" name="Hold back a tenth less" onPress={() => onChange(tenth(value - 0.1))} disabled={value <= least} />
        <View style={{ flex: 1, height: TOUCH }} onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
          <View style={{ position: 'absolute', left: TOUCH / 2, right: TOUCH / 2, top: 16, height: 16, flexDirection: 'row' }} aria-hidden>
            <View style={{ width: place, backgroundColor: palette.flash, clipPath: 'polygon(0 0, 100% 0, 100% 100%, 0 50%)' } as object} />
            <View style={{ flex: 1, backgroundColor: palette.ambient, clipPath: 'polygon(0 0, 100% 50%, 100% 100%, 0 100%)' } as object} />
          </View>
          <View
            role="slider"
            aria-label="Ambient held back on the face"
            aria-valuenow={Number(value.toFixed(2))} aria-valuemin={least} aria-valuemax={most} aria-valuetext={said}
            tabIndex={0}
            style={{ position: 'absolute', left: place, top: 0, width: TOUCH, height: TOUCH, alignItems: 'center', justifyContent: 'center', touchAction: 'none', cursor: 'grab' } as object}
            {...(handle as object)}
          >
            <View style={{ width: 22, height: 40, backgroundColor: palette.accent, borderWidth: 2, borderColor: palette.ground, clipPath: 'polygon(0 0, 60% 0, 100% 25%, 100% 100%, 0 100%)' } as object} />
          </View>
        </View>
        <IconButton icon="plus" name="Hold back a tenth more" onPress={() => onChange(tenth(value + 0.1))} disabled={value >= most} />
      </View>
      <View role="group" aria-label="Usual places" style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {LOOK_MARKS.map((mark) => {
          const chosen = Math.abs(mark.holdBackStops - value) < 0.005;
          return (
            <Pressable key={mark.name} role="button" aria-pressed={chosen} aria-label={`${mark.name}: ${mark.words}, ${formatStopCount(mark.holdBackStops)} stops`} onPress={() => onChange(mark.holdBackStops)}
              style={{ flexBasis: '22%', flexGrow: 1, minHeight: TOUCH, borderWidth: chosen ? 2 : 1, borderColor: chosen ? palette.accent : palette.line, borderRadius: 4, alignItems: 'center', justifyContent: 'center' }}>
              <Txt bold={chosen}>{mark.name}</Txt>
              <Txt size="label" tone="quiet">{formatShare(sayLook(mark.holdBackStops).flashShare)}</Txt>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}
