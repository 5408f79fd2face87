import { type Palette, REGULAR } from '@/ui/palette';
import { memo } from 'react';
import { Circle, G, Line, Path, Polygon, Text as SvgText } from 'react-native-svg';

import type { Kit } from '@sphene/core/gear';
import type { Setup } from '@sphene/core/setup';
import { noseOf } from './stageShapes';
import { type StageView, toPx } from './stageView';
import { texts } from './texts';

/** A head's radius, m. */
export const HEAD_M = 0.11;

const METRES = Array.from({ length: 41 }, (_, i) => i - 20);

/** Lines a metre apart, as one path; drawn again only when the view moves. */
export const MetreGrid = memo(function MetreGrid({
  view,
  width,
  height,
  groundY,
  palette,
}: {
  view: StageView;
  width: number;
  height: number;
  groundY: number;
  palette: Palette;
}) {
  const path = METRES.map((m) => {
    const { x, y } = toPx(view, view.face === 'plan' ? { x: m, y: 0, z: m } : { x: 0, y: m + groundY, z: m });
    return `M${x.toFixed(1)},0 V${height} M0,${y.toFixed(1)} H${width}`;
  }).join(' ');
  return <Path d={path} stroke={palette.line} strokeWidth={0.6} opacity={0.35} />;
});

/** The subject's head with its nose, and in the side view the body. */
export function Head({
  view,
  setup: {
    stage: { subject },
  },
  palette,
  ground,
}: {
  view: StageView;
  setup: Setup;
  palette: Palette;
  ground: number;
}) {
  const { x, y } = toPx(view, { x: 0, y: 0, z: 0 });
  const r = Math.max(8, HEAD_M * view.pxPerM);
  return (
    <G>
      {view.face === 'side' && (
        <Path
          d={`M${x - r * 0.9},${ground} L${x - r * 0.6},${y + r * 1.4} L${x + r * 0.6},${y + r * 1.4} L${x + r * 0.9},${ground} Z`}
          fill={palette.raised}
          stroke={palette.text}
          strokeWidth={1.5}
        />
      )}
      {subject.hat && (
        <Circle
          cx={x}
          cy={view.face === 'plan' ? y : y - r * 0.7}
          r={r * 1.5}
          fill="none"
          stroke={palette.text}
          strokeWidth={1.2}
          strokeDasharray="3 2"
        />
      )}
      <Circle cx={x} cy={y} r={r} fill={palette.raised} stroke={palette.text} strokeWidth={2} />
      <Polygon points={noseOf(view, x, y, r, subject.turnDeg)} fill={palette.text} />
    </G>
  );
}

/** The camera: a wedge that opens towards the subject. */
export const CameraBody = ({
  x,
  y,
  face,
  palette,
}: {
  x: number;
  y: number;
  face: StageView['face'];
  palette: Palette;
}) => (
  <Polygon
    points={
      face === 'plan'
        ? `${x - 5},${y - 12} ${x + 5},${y - 12} ${x + 13},${y + 10} ${x - 13},${y + 10}`
        : `${x - 12},${y - 5} ${x - 12},${y + 5} ${x + 10},${y + 12} ${x + 10},${y - 12}`
    }
    fill={palette.accent}
    stroke={palette.ground}
    strokeWidth={1.5}
  />
);

/** The sun; pale under the horizon. */
export const SunSign = ({ x, y, palette, up }: { x: number; y: number; palette: Palette; up: boolean }) => (
  <G opacity={up ? 1 : 0.5}>
    <Circle cx={x} cy={y} r={9} fill={palette.ambient} stroke={palette.ground} strokeWidth={2} />
    {Array.from({ length: 8 }, (_, i) => {
      const a = (i * Math.PI) / 4;
      return (
        <Line
          key={i}
          x1={x + Math.cos(a) * 12}
          y1={y + Math.sin(a) * 12}
          x2={x + Math.cos(a) * 17}
          y2={y + Math.sin(a) * 17}
          stroke={palette.ambient}
          strokeWidth={2}
        />
      );
    })}
  </G>
);

/** A metre, or three feet. */
export function ScaleBar({
  view: { pxPerM },
  height,
  unit,
  palette,
}: {
  view: StageView;
  height: number;
  unit: Kit['preferences']['distanceUnit'];
  palette: Palette;
}) {
  const px = unit === 'm' ? pxPerM : pxPerM * 0.9144;
  return (
    <G>
      <Path d={`M10,${height - 14} v6 h${px.toFixed(1)} v-6`} stroke={palette.text} strokeWidth={1.5} fill="none" />
      <SvgText x={14 + px} y={height - 8} fill={palette.text} fontSize={13} fontFamily={REGULAR}>
        {unit === 'm' ? texts.oneMetre : texts.threeFeet}
      </SvgText>
    </G>
  );
}
