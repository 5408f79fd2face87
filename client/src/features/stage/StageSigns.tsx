import { type Palette, REGULAR } from '@/ui/palette';
import { memo } from 'react';
import { Circle, G, Line, Path, Polygon, Text as SvgText } from 'react-native-svg';

import type { Kit } from '@sphene/core/gear';
import type { Setup } from '@sphene/core/setup';
import { bodyOf, noseOf } from './stageShapes';
import { type Spot, type StageView, toPx } from './stageView';
import { texts } from './texts';

/** A head's radius, m. */
const HEAD_M = 0.11;

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

/** A head's radius on the canvas: to scale from the side, from above never too small to be seen. */
export const headPx = ({ face, pxPerM }: StageView): number => Math.max(face === 'plan' ? 8 : 4, HEAD_M * pxPerM);

interface BodyProps {
  view: StageView;
  at: Spot;
  ground: number;
  turnDeg: number;
  palette: Palette;
}

/** Who stands under a head, from the side. */
export const Body = ({ view, at, ground, turnDeg, palette }: BodyProps) => (
  <Polygon
    points={bodyOf(view, at, ground, turnDeg)}
    fill={palette.raised}
    stroke={palette.text}
    strokeWidth={1.5}
    strokeLinejoin="round"
  />
);

/** Legs spread so wide, and meet so high. */
const STAND = { halfM: 0.45, meetM: 0.5 } as const;

/** A light's stand from the side, with how high the light's middle is over the ground. */
export function Stand({ view, at, ground, label, palette }: Omit<BodyProps, 'turnDeg'> & { label: string }) {
  const { x, y } = at;
  const half = STAND.halfM * view.pxPerM;
  const meet = Math.max(y, ground - STAND.meetM * view.pxPerM);
  return (
    <G>
      <Path
        d={`M${x},${y} V${ground} M${x - half},${ground} L${x},${meet} L${x + half},${ground}`}
        stroke={palette.quiet}
        strokeWidth={2}
        fill="none"
      />
      <SvgText x={x} y={ground + 16} textAnchor="middle" fill={palette.text} fontSize={13} fontFamily={REGULAR}>
        {label}
      </SvgText>
    </G>
  );
}

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
  const r = headPx(view);
  return (
    <G>
      {view.face === 'side' && (
        <Body view={view} at={{ x, y }} ground={ground} turnDeg={subject.turnDeg} palette={palette} />
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
  unit,
  palette,
}: {
  view: StageView;
  unit: Kit['preferences']['distanceUnit'];
  palette: Palette;
}) {
  const px = unit === 'm' ? pxPerM : pxPerM * 0.9144;
  return (
    <G>
      <Path d={`M10,10 v6 h${px.toFixed(1)} v-6`} stroke={palette.text} strokeWidth={1.5} fill="none" />
      <SvgText x={14 + px} y={18} fill={palette.text} fontSize={13} fontFamily={REGULAR}>
        {unit === 'm' ? texts.oneMetre : texts.threeFeet}
      </SvgText>
    </G>
  );
}
