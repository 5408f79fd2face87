import { texts } from './texts';
import { type ReactNode, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';

import { roundToStep } from '@sphene/core/photometry';
import { IconButton } from './ActionButton';
import { Txt } from './Txt';
import { TOUCH } from './palette';
import { usePalette } from './theme';

/** A usual place on a slider. */
export interface SliderMark {
  value: number;
  name: string;
  /** what stands under the name */
  note: string;
  words: string;
}

interface MarkedSliderProps {
  label: string;
  value: number;
  range: { least: number; most: number };
  marks: readonly SliderMark[];
  /** what the value means, for a voice */
  said: string;
  less: string;
  more: string;
  /** bends the track: 1 is even, 2 is fine at its low end */
  bend?: 1 | 2;
  /** drawn behind the handle, given where it stands in px */
  track: (handlePx: number) => ReactNode;
  /** while it moves */
  onDraft: (value: number) => void;
  /** when it is let go */
  onChange: (value: number) => void;
}

/** A slider in tenths of a stop with usual places marked under it: by thumb, by its two keys, by keyboard. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export function MarkedSlider({
  label,
  value,
  range: { least, most },
  marks,
  said,
  less,
  more,
  bend = 1,
  track,
  onDraft,
  onChange,
}: MarkedSliderProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(300);
  const start = useRef<{ x: number; place: number; value: number } | null>(null);
  const inRange = (stops: number) => Math.min(most, Math.max(least, stops));
  const tenth = (stops: number): number => inRange(roundToStep(stops, 0.1));
  const place = ((inRange(value) - least) / (most - least)) ** (1 / bend) * (width - TOUCH);
  const fromTrack = (part: number): number => least + (most - least) * Math.min(1, Math.max(0, part)) ** bend;

  const at = (clientX: number) =>
    tenth(fromTrack((start.current === null ? 0 : start.current.place + clientX - start.current.x) / (width - TOUCH)));
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
      const by = { ArrowRight: 0.1, ArrowUp: 0.1, ArrowLeft: -0.1, ArrowDown: -0.1, PageUp: 0.5, PageDown: -0.5 }[
        event.key
      ];
      const to =
        event.key === 'Home' ? least : event.key === 'End' ? most : by === undefined ? undefined : tenth(value + by);
      if (to === undefined) return;
      event.preventDefault();
      onChange(to);
    },
  };

  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <IconButton icon="minus" name={less} onPress={() => onChange(tenth(value - 0.1))} disabled={value <= least} />
        <View style={{ flex: 1, height: TOUCH }} onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
          <View
            style={{
              position: 'absolute',
              left: TOUCH / 2,
              right: TOUCH / 2,
              top: 16,
              height: 16,
              flexDirection: 'row',
            }}
            aria-hidden
          >
            {track(place)}
          </View>
          <View
            role="slider"
            aria-label={label}
            aria-valuenow={Number(value.toFixed(2))}
            aria-valuemin={least}
            aria-valuemax={most}
            aria-valuetext={said}
            tabIndex={0}
            style={
              {
                position: 'absolute',
                left: place,
                top: 0,
                width: TOUCH,
                height: TOUCH,
                alignItems: 'center',
                justifyContent: 'center',
                touchAction: 'none',
                cursor: 'grab',
              } as object
            }
            {...(handle as object)}
          >
            <View
              style={
                {
                  width: 22,
                  height: 40,
                  backgroundColor: palette.accent,
                  borderWidth: 2,
                  borderColor: palette.ground,
                  clipPath: 'polygon(0 0, 60% 0, 100% 25%, 100% 100%, 0 100%)',
                } as object
              }
            />
          </View>
        </View>
        <IconButton icon="plus" name={more} onPress={() => onChange(tenth(value + 0.1))} disabled={value >= most} />
      </View>
      <View
        role="group"
        aria-label={texts.usualPlaces(label)}
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}
      >
        {marks.map((mark) => {
          const chosen = Math.abs(mark.value - value) < 0.005;
          return (
            <Pressable
              key={mark.name}
              role="button"
              aria-pressed={chosen}
              aria-label={`${mark.name}: ${mark.words}`}
              onPress={() => onChange(mark.value)}
              style={{
                flexBasis: '22%',
                flexGrow: 1,
                minHeight: TOUCH,
                borderWidth: chosen ? 2 : 1,
                borderColor: chosen ? palette.accent : palette.line,
                borderRadius: 4,
                alignItems: 'center',
                justifyContent: 'center',
              }}
            >
              <Txt bold={chosen}>{mark.name}</Txt>
              <Txt size="label" tone="quiet">
                {mark.note}
              </Txt>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}
