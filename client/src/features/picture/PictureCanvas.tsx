import { texts } from './texts';
import { Txt } from '@/ui/Txt';
import { usePalette } from '@/ui/theme';
import type { PictureSource } from '@/workers/pictureMaker';
import { pictureMaker } from '@/workers/pictures';
import { useEffect, useRef } from 'react';
import { View } from 'react-native';

import type { Kit } from '@sphene/core/gear';
import { formatStops } from '@sphene/core/notation';
import { type PictureOf, type Showing, type ToneMark, toneMarks, weightsOf } from '@sphene/core/picture';
import type { Picture as Developed } from '@sphene/core/renderer';
import type { Setup } from '@sphene/core/setup';
import type { SolutionNumbers } from '@sphene/core/solution';
import { usePictureVersion } from './usePicture';

interface PictureCanvasProps {
  setup: Setup;
  kit: Kit;
  numbers: SolutionNumbers;
  picture: PictureOf;
  /** who makes it; the maker of the page's large picture where it is not said */
  from?: PictureSource;
  widthPx: number;
  showing?: Showing;
  /** clipped highlights and lost shadows as patterns */
  marks?: boolean;
  /** without a camera's contrast */
  flat?: boolean;
  /** the metering points with the ladder's numbers */
  tones?: boolean;
  /** drawn instead while it is held */
  instead?: ImageData | null;
  name: string;
  /** after every drawing: what was drawn, to be read at once */
  onDrawn?: (developed: Developed) => void;
}

/** Where the picture holds, when the camera does not say. */
const USUAL_LATITUDE = { clipsAboveStops: 3, noiseBelowStops: -5 };

const percent = (count: number, all: number): string => `${((100 * count) / all).toFixed(1)} %`;

/** The picture in words: what its tones are and what is lost. */
function sayPicture(name: string, numbers: SolutionNumbers, developed: Developed | null): string {
  const tones = numbers.points
    .flatMap(({ name: point, placedStops }) =>
      placedStops === null ? [] : [`${point.toLowerCase()} ${formatStops(placedStops)}`],
    )
    .join(', ');
  const toned = texts.tonesOf(name, tones || texts.noneYet);
  if (developed === null) return texts.beingMade(toned);
  const pixels = developed.width * developed.height;
  const { clipped, lost } = developed;
  return texts.clippedLostInShadow(toned, percent(clipped, pixels), percent(lost, pixels));
}

const LABEL_PX = { wide: 150, high: 21 } as const;

/** How far each label moves up or down so that none lies on another. */
function labelLifts(places: readonly { x: number; y: number }[]): number[] {
  const lifts = places.map(() => 0);
  const order = places.map((_, index) => index).sort((a, b) => (places[a]?.y ?? 0) - (places[b]?.y ?? 0));
  for (const [at, index] of order.entries())
    for (const above of order.slice(0, at)) {
      const [own, other] = [places[index], places[above]];
      if (own === undefined || other === undefined || Math.abs(own.x - other.x) > LABEL_PX.wide) continue;
      lifts[index] = Math.max(lifts[index] ?? 0, other.y + (lifts[above] ?? 0) + LABEL_PX.high - own.y);
    }
  return lifts;
}

/** The metering points with the ladder's numbers, each where it lies in the picture. */
function ToneLabels({ rows, widthPx, heightPx }: { rows: readonly ToneMark[]; widthPx: number; heightPx: number }) {
  const lifts = labelLifts(rows.map(({ x, y }) => ({ x: x * widthPx, y: y * heightPx })));
  return rows.map(({ pointId, name, x, y, placedStops }, index) => (
    <View
      key={pointId}
      aria-hidden
      style={{
        position: 'absolute',
        left: x * widthPx - 3,
        top: y * heightPx - 3,
        flexDirection: x > 0.6 ? 'row-reverse' : 'row',
        alignItems: 'center',
        gap: 3,
        transform: [{ translateX: x > 0.6 ? '-100%' : 0 }] as never,
        pointerEvents: 'none',
      }}
    >
      <View style={{ width: 7, height: 7, borderWidth: 1.5, borderColor: '#FFFFFF', backgroundColor: '#000000' }} />
      <View
        style={{
          backgroundColor: 'rgba(0,0,0,0.72)',
          paddingHorizontal: 4,
          transform: [{ translateY: lifts[index] ?? 0 }],
        }}
      >
        <Txt size="label" bold style={{ color: '#FFFFFF' }}>{`${name} ${formatStops(placedStops)}`}</Txt>
      </View>
    </View>
  ));
}

/**
 * Draws a picture from the layers that there are: weights are summed again on every change, at the speed of a
 * slider.
 */
export function PictureCanvas({
  setup,
  kit,
  numbers,
  picture,
  from = pictureMaker(),
  widthPx,
  showing = 'all',
  marks = false,
  flat = false,
  tones = false,
  instead = null,
  name,
  onDrawn,
}: PictureCanvasProps) {
  const palette = usePalette();
  const version = usePictureVersion(from);
  const canvas = useRef<HTMLCanvasElement>(null);
  const box = useRef<HTMLElement | null>(null);
  const drawn = useRef(onDrawn);
  const toneRows = useRef<ToneMark[]>([]);
  useEffect(() => {
    drawn.current = onDrawn;
  });
  useEffect(() => {
    // a task of its own: drawing must not lengthen the one that moved the stage
    const timer = setTimeout(() => {
      const context = canvas.current?.getContext('2d');
      if (context == null) return;
      const put = (image: ImageData) => {
        // a first look is smaller than the picture that comes after it
        const { width, height } = context.canvas;
        if (width !== image.width) context.canvas.width = image.width;
        if (height !== image.height) context.canvas.height = image.height;
        context.putImageData(image, 0, 0);
      };
      if (instead !== null) return put(instead);
      const ready = from.ready(picture);
      const weights = weightsOf(setup, kit, numbers, picture, showing);
      if (ready === null || weights === null) return;
      const { clipsAboveStops, noiseBelowStops } = numbers.latitude ?? USUAL_LATITUDE;
      const developed = ready.composer.compose(ready.layers, weights, {
        clipsAboveStops,
        noiseBelowStops: Math.abs(noiseBelowStops),
        marks,
        development: flat ? 'flat' : 'camera',
      });
      put(new ImageData(developed.rgba, developed.width, developed.height));
      box.current?.setAttribute('aria-label', sayPicture(name, numbers, developed));
      box.current?.setAttribute('data-drawn', String(version));
      drawn.current?.(developed);
    });
    return () => clearTimeout(timer);
  }, [setup, kit, numbers, picture, from, version, showing, marks, flat, instead, name]);
  const ready = tones ? from.ready(picture) : null;
  toneRows.current =
    ready === null ? [] : toneMarks(setup, numbers, picture, { ...ready.composer.picture, materials: ready.materials });
  const heightPx = (widthPx * picture.height) / picture.width;
  return (
    <View
      ref={(node) => {
        box.current = node as unknown as HTMLElement | null;
      }}
      role="img"
      aria-label={sayPicture(name, numbers, null)}
      style={{ width: widthPx, height: heightPx, backgroundColor: palette.raised }}
    >
      <canvas
        ref={canvas}
        width={picture.width}
        height={picture.height}
        style={{ width: widthPx, height: heightPx, display: 'block' }}
        aria-hidden
      />
      <ToneLabels rows={toneRows.current} widthPx={widthPx} heightPx={heightPx} />
    </View>
  );
}
