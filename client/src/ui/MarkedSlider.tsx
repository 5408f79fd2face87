import { texts } from './texts';
import { type ReactNode, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';

import { roundToStep } from '@sphene/core/photometry';
import { IconButton } from './ActionButton';
import { ChosenWedge } from './Chip';
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

/** Keys that move the handle, in stops. */
const BY_KEY: Partial<Record<string, number>> = {
  ArrowRight: 0.1,
  ArrowUp: 0.1,
  ArrowLeft: -0.1,
  ArrowDown: -0.1,
  PageUp: 0.5,
  PageDown: -0.5,
};

/** The handle by thumb and by keys, and where it stands on a track of a width. */
function useHandle({ value, range: { least, most }, bend = 1, onDraft, onChange }: MarkedSliderProps, width: number) {
  const start = useRef<{ x: number; place: number; value: number } | null>(null);
  const inRange = (stops: number) => Math.min(most, Math.max(least, stops));
  const tenth = (stops: number): number => inRange(roundToStep(stops, 0.1));
  const place = ((inRange(value) - least) / (most - least)) ** (1 / bend) * (width - TOUCH);
  const fromTrack = (part: number): number => least + (most - least) * Math.min(1, Math.max(0, part)) ** bend;
  const at = (clientX: number) => {
    const px = start.current === null ? 0 : start.current.place + clientX - start.current.x;
    return tenth(fromTrack(px / (width - TOUCH)));
  };
  const byKey = (key: string): number | null => {
    if (key === 'Home') return least;
    if (key === 'End') return most;
    const by = BY_KEY[key];
    return by === undefined ? null : tenth(value + by);
  };
  return {
    place,
    stepBy: (stops: number) => onChange(tenth(value + stops)),
    handlers: {
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
        const to = byKey(event.key);
        if (to === null) return;
        event.preventDefault();
        onChange(to);
      },
    },
  };
}

/** What is taken hold of: our wedge, 48 px wide to a thumb. */
function Handle({ slider, place, handlers }: { slider: MarkedSliderProps; place: number; handlers: object }) {
  const palette = usePalette();
  return (
    <View
      role="slider"
      aria-label={slider.label}
      aria-valuenow={Number(slider.value.toFixed(2))}
      aria-valuemin={slider.range.least}
      aria-valuemax={slider.range.most}
      aria-valuetext={slider.said}
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
      {...handlers}
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
  );
}

/** The usual places: a tap goes there. */
function Marks({ label, value, marks, onChange }: Pick<MarkedSliderProps, 'label' | 'value' | 'marks' | 'onChange'>) {
  const palette = usePalette();
  return (
    <View
      role="group"
      aria-label={texts.usualPlaces(label)}
      style={{ flexDirection: 'row', flexWrap: 'wrap', backgroundColor: palette.raised, borderRadius: 4 }}
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
              alignItems: 'center',
              justifyContent: 'center',
            }}
          >
            <Txt bold={chosen} tone={chosen ? 'text' : 'quiet'}>
              {mark.name}
            </Txt>
            <Txt size="label" tone="quiet">
              {mark.note}
            </Txt>
            {chosen && <ChosenWedge />}
          </Pressable>
        );
      })}
    </View>
  );
}

/** A slider in tenths of a stop with usual places marked under it: by thumb, by its two keys, by keyboard. */
export function MarkedSlider(slider: MarkedSliderProps) {
  const { label, value, range, marks, less, more, track, onChange } = slider;
  const [width, setWidth] = useState(300);
  const { place, stepBy, handlers } = useHandle(slider, width);
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <IconButton icon="minus" name={less} onPress={() => stepBy(-0.1)} disabled={value <= range.least} />
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
          <Handle slider={slider} place={place} handlers={handlers} />
        </View>
        <IconButton icon="plus" name={more} onPress={() => stepBy(0.1)} disabled={value >= range.most} />
      </View>
      <Marks label={label} value={value} marks={marks} onChange={onChange} />
    </View>
  );
}
