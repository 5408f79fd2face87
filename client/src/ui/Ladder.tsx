import { texts } from './texts';
import { words } from '@/language/words';
import { useId, useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Circle, Defs, G, Line, Path, Pattern, Polygon, Rect } from 'react-native-svg';

import type { PointSolution } from '@sphene/core/balance';
import type { Known } from '@sphene/core/metering';
import { formatStopCount, formatStops } from '@sphene/core/notation';
import { KnownMark } from './KnownMark';
import { Txt } from './Txt';
import { ladderScale, patchTone, type Scale, wedge } from './ladderGeometry';
import type { Palette } from './palette';
import { usePalette } from './theme';

interface LadderProps {
  points: readonly PointSolution[];
  /** the tones in sentences, for a voice */
  said: string;
  /** the camera's latitude; null before a camera is known */
  clipsAboveStops: number | null;
  noiseBelowStops: number | null;
  /** a tone was tapped: its readings are wanted */
  onTone?: (pointId: string) => void;
  /** a strip of one line, for when the steps want the room */
  compact?: boolean;
}

/** Heights of a row with its name above the bar, px; many tones share the room. */
const ROOMY = { row: 44, bar: 20 } as const;
const DENSE = { row: 30, bar: 11 } as const;
/** From so many tones on the rows close up. */
const MANY = 4;
const BAR = ROOMY.bar;
const STRIP = 18;
const TICKS = 18;
const rowsOf = (tones: number) => (tones < MANY ? ROOMY : DENSE);
const drawingPx = (tones: number, compact: boolean) => (compact ? BAR + 4 : tones * rowsOf(tones).row + 2) + STRIP;

/** How tall the ladder of so many tones is, px: whoever lays it over something knows it before it is drawn. */
export const ladderPx = (tones: number, compact: boolean): number => drawingPx(tones, compact) + TICKS;

/** What stands after a tone that the picture does not hold. */
const OUT_OF_RANGE = { 'in-range': '', clipped: texts.afterClipped, lost: texts.afterLost } as const;

/** The names of the textures of one drawing: an earlier screen that is still there, hidden, must not lend its own. */
interface TextureIds {
  ambient: string;
  flash: string;
  out: string;
}
const fill = (id: string) => `url(#${id})`;

/** Textures carry the meaning without colour: ambient lined, flash dotted, out of range hatched. */
function Textures({ palette, ids }: { palette: Palette; ids: TextureIds }) {
  return (
    <Defs>
      <Pattern id={ids.ambient} width={5} height={5} patternUnits="userSpaceOnUse">
        <Rect width={5} height={5} fill={palette.ambient} opacity={0.35} />
        <Line x1={0} y1={1} x2={5} y2={1} stroke={palette.ambient} strokeWidth={2} />
      </Pattern>
      <Pattern id={ids.flash} width={6} height={6} patternUnits="userSpaceOnUse">
        <Rect width={6} height={6} fill={palette.flash} opacity={0.3} />
        <Circle cx={1.6} cy={1.6} r={1.4} fill={palette.flash} />
        <Circle cx={4.6} cy={4.6} r={1.4} fill={palette.flash} />
      </Pattern>
      <Pattern id={ids.out} width={7} height={7} patternUnits="userSpaceOnUse">
        <Path d="M-1,1 l2,-2 M0,7 l7,-7 M6,8 l2,-2" stroke={palette.danger} strokeWidth={1.2} />
      </Pattern>
    </Defs>
  );
}

/** The step wedge itself: one grey patch a stop, numbered against mid grey. */
function StepWedge({ scale, y, palette }: { scale: Scale; y: number; palette: Palette }) {
  const stops = Array.from({ length: scale.most - scale.least }, (_, index) => scale.least + index);
  return (
    <G>
      {stops.map((stop) => (
        <Rect
          key={stop}
          x={scale.x(stop)}
          y={y}
          width={scale.perStop + 0.5}
          height={STRIP}
          fill={patchTone(stop, palette.patch)}
        />
      ))}
      <Rect
        x={scale.x(scale.least)}
        y={y}
        width={scale.width}
        height={STRIP}
        fill="none"
        stroke={palette.line}
        strokeWidth={1}
      />
    </G>
  );
}

function OutOfRange({
  scale,
  height,
  clips,
  noise,
  palette,
  ids,
}: {
  scale: Scale;
  height: number;
  clips: number;
  noise: number;
  palette: Palette;
  ids: TextureIds;
}) {
  return (
    <G>
      {[
        [clips, scale.most],
        [scale.least, noise],
      ].map(
        ([from = 0, to = 0]) =>
          to > from && (
            <Rect
              key={from}
              x={scale.x(from)}
              y={0}
              width={scale.x(to) - scale.x(from)}
              height={height}
              fill={fill(ids.out)}
              opacity={0.55}
            />
          ),
      )}
      {[clips, noise].map((edge) => (
        <Line
          key={edge}
          x1={scale.x(edge)}
          x2={scale.x(edge)}
          y1={0}
          y2={height}
          stroke={palette.danger}
          strokeWidth={1.5}
        />
      ))}
    </G>
  );
}

/** How the line of a tone is drawn, by how it is known. */
const DASHES: Record<Known, string | undefined> = { read: undefined, foretold: '5 2', assumed: '2 2' };

function Tone({
  point,
  scale,
  y,
  palette,
  height,
  ids,
}: {
  point: PointSolution;
  scale: Scale;
  y: number;
  palette: Palette;
  height: number;
  ids: TextureIds;
}) {
  if (point.placedAmbientStops === null || point.placedStops === null) return null;
  const ambient = scale.clamp(point.placedAmbientStops);
  const total = scale.clamp(point.placedStops);
  const shape = (from: number, to: number) => wedge(scale, from, to, y + height, height);
  return (
    <G>
      <Polygon points={shape(scale.least, ambient)} fill={fill(ids.ambient)} stroke={palette.ambient} strokeWidth={1} />
      {total > ambient && (
        <Polygon points={shape(ambient, total)} fill={fill(ids.flash)} stroke={palette.flash} strokeWidth={1} />
      )}
      <Line
        x1={scale.x(total)}
        x2={scale.x(total)}
        y1={y - 2}
        y2={y + height + 2}
        stroke={palette.text}
        strokeWidth={2.5}
        strokeDasharray={DASHES[point.known ?? 'read']}
      />
    </G>
  );
}

interface Drawn {
  scale: Scale;
  palette: Palette;
  ids: TextureIds;
}

/** The tones as a strip of one line: the first as a wedge, the others as marks. */
function ToneStrip({ points, scale, palette, ids }: Drawn & { points: readonly PointSolution[] }) {
  return points.map((point, index) => {
    if (index === 0)
      return <Tone key={point.pointId} point={point} scale={scale} y={2} height={BAR} palette={palette} ids={ids} />;
    const x = scale.x(scale.clamp(point.placedStops ?? 0));
    return (
      <Line
        key={point.pointId}
        x1={x}
        x2={x}
        y1={6}
        y2={BAR + 4}
        stroke={point.zone === 'in-range' ? palette.quiet : palette.danger}
        strokeWidth={2}
      />
    );
  });
}

/** Every tone in a row of its own. */
function ToneRows({ points, scale, palette, ids }: Drawn & { points: readonly PointSolution[] }) {
  const { row, bar } = rowsOf(points.length);
  return points.map((point, index) => (
    <Tone
      key={point.pointId}
      point={point}
      scale={scale}
      y={index * row + row - bar - (row === ROOMY.row ? 4 : 1)}
      height={bar}
      palette={palette}
      ids={ids}
    />
  ));
}

/** What stands over a row: the point, whether its reading holds, and where it lands. */
function RowText({ point, top }: { point: PointSolution; top: number }) {
  const palette = usePalette();
  const { name, stale, basis, known, zone, placedStops } = point;
  return (
    <View
      style={{ position: 'absolute', left: 0, right: 0, top, flexDirection: 'row', justifyContent: 'space-between' }}
    >
      <View
        style={{
          flexDirection: 'row',
          alignItems: 'center',
          gap: 4,
          backgroundColor: palette.ground,
          paddingRight: 4,
        }}
      >
        {known !== null && <KnownMark known={known} />}
        <Txt size="label" bold>
          {name}
          {stale === null ? '' : texts.afterDoubt(formatStopCount(stale.sdStops))}
          {basis === 'carried' ? texts.afterCarried : ''}
          {known === 'assumed' ? texts.afterAssumed : ''}
        </Txt>
      </View>
      <Txt
        size="label"
        bold
        tone={zone === 'in-range' || zone === null ? 'text' : 'danger'}
        style={{ backgroundColor: palette.ground, paddingLeft: 4 }}
      >
        {placedStops === null
          ? texts.notPlacedYet
          : words.stopsBothWays(placedStops) + OUT_OF_RANGE[zone ?? 'in-range']}
      </Txt>
    </View>
  );
}

const Ticks = ({ scale }: { scale: Scale }) => (
  <View aria-hidden style={{ height: TICKS }}>
    {scale.ticks.map((stop) => (
      <Txt
        key={stop}
        size="label"
        tone={stop === 0 ? 'accent' : 'quiet'}
        bold={stop === 0}
        style={{ position: 'absolute', left: scale.x(stop) - 15, width: 30, textAlign: 'center' }}
      >
        {stop === 0 ? '0' : formatStops(stop, 'third')}
      </Txt>
    ))}
  </View>
);

type DrawingProps = Drawn &
  Pick<LadderProps, 'points' | 'clipsAboveStops' | 'noiseBelowStops'> & {
    compact: boolean;
    width: number;
    height: number;
  };

/** The drawing itself: latitude, mid grey, the tones, and the step wedge that they are read from. */
function Drawing({ points, clipsAboveStops, noiseBelowStops, compact, width, height, ...drawn }: DrawingProps) {
  const { scale, palette, ids } = drawn;
  const metered = points.filter((point) => point.placedStops !== null);
  return (
    <Svg width={width} height={height}>
      <Textures palette={palette} ids={ids} />
      {clipsAboveStops !== null && noiseBelowStops !== null && (
        <OutOfRange {...drawn} height={height} clips={clipsAboveStops} noise={noiseBelowStops} />
      )}
      <Line
        x1={scale.x(0)}
        x2={scale.x(0)}
        y1={0}
        y2={height}
        stroke={palette.accent}
        strokeWidth={1.5}
        strokeDasharray="3 3"
      />
      {compact ? <ToneStrip {...drawn} points={metered} /> : <ToneRows {...drawn} points={points} />}
      <StepWedge scale={scale} y={height - STRIP} palette={palette} />
    </Svg>
  );
}

/** What a voice says of the ladder. */
function sayLadder({ points, said, clipsAboveStops, noiseBelowStops }: LadderProps): string {
  if (points.every(({ placedStops }) => placedStops === null)) return texts.wedgeLadderNoToneIs;
  const limits =
    clipsAboveStops === null
      ? ''
      : texts.clippingAboveNoiseBelow(formatStops(clipsAboveStops), formatStops(noiseBelowStops ?? 0));
  return texts.wedgeLadderInStopsFrom(said, limits);
}

/**
 * The wedge ladder: a step wedge from which every metered tone is read in stops against mid grey, with the part of it
 * that is ambient and the part that is flash, clipping above and noise below.
 */
export function Ladder(props: LadderProps) {
  const { points, clipsAboveStops, noiseBelowStops, onTone, compact = false } = props;
  const palette = usePalette();
  const name = useId().replace(/[^\w-]/g, '');
  const ids: TextureIds = { ambient: `${name}-ambient`, flash: `${name}-flash`, out: `${name}-out` };
  const [width, setWidth] = useState(358);
  const scale = ladderScale(width, points, clipsAboveStops, noiseBelowStops);
  const { row } = rowsOf(points.length);
  const height = drawingPx(points.length, compact);
  return (
    <View>
      <View role="img" aria-label={sayLadder(props)} onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
        <View aria-hidden style={{ height }}>
          <Drawing
            points={points}
            clipsAboveStops={clipsAboveStops}
            noiseBelowStops={noiseBelowStops}
            compact={compact}
            width={width}
            height={height}
            scale={scale}
            palette={palette}
            ids={ids}
          />
          {!compact && points.map((point, index) => <RowText key={point.pointId} point={point} top={index * row} />)}
        </View>
        <Ticks scale={scale} />
      </View>
      {!compact &&
        onTone &&
        points.map((point, index) => (
          <Pressable
            key={point.pointId}
            role="button"
            aria-label={texts.readingsOf(point.name.toLowerCase())}
            onPress={() => onTone(point.pointId)}
            style={{ position: 'absolute', left: 0, right: 0, top: index * row, height: row }}
          />
        ))}
    </View>
  );
}
