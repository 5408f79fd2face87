import { words } from '@/language/words';
import { type Palette, REGULAR } from '@/ui/palette';
import { memo } from 'react';
import Svg, { Circle, Defs, G, Line, Path, Pattern, Polygon, Rect, Text as SvgText } from 'react-native-svg';

import { panelFlat } from '@sphene/core/ambient';
import type { Kit } from '@sphene/core/gear';
import { type Flat, flatAxes, type Place } from '@sphene/core/scene';
import type { Setup } from '@sphene/core/setup';
import type { SolutionNumbers } from '@sphene/core/solution';
import { companions } from '@sphene/core/stage';
import { type StageView, toPx } from './stageView';
import { isOpening, sunAt, UNSAID_BACKGROUND_M } from './things';

const ROUND_POINTS = 20;
const RADIANS = Math.PI / 180;
const HEAD_M = 0.11;
/** A cloth lights everywhere; its beam is drawn no wider than this. */
const WIDEST_DRAWN_DEG = 55;

const pointsOf = (view: StageView, places: readonly Place[]): string =>
  places
    .map((place) => {
      const { x, y } = toPx(view, place);
      return `${x.toFixed(1)},${y.toFixed(1)}`;
    })
    .join(' ');
const off = (from: Place, direction: Place, by: number): Place => ({
  x: from.x + direction.x * by,
  y: from.y + direction.y * by,
  z: from.z + direction.z * by,
});

/** The outline of a flat thing as it is seen from above or from the side. */
function outline({ at, faces, widthM, tallM, round }: Flat): Place[] {
  const { across, up } = flatAxes(faces);
  const at2 = (a: number, b: number) => off(off(at, across, (a * widthM) / 2), up, (b * tallM) / 2);
  return round
    ? Array.from({ length: ROUND_POINTS }, (_, i) =>
        at2(Math.cos((2 * Math.PI * i) / ROUND_POINTS), Math.sin((2 * Math.PI * i) / ROUND_POINTS)),
      )
    : [at2(-1, -1), at2(1, -1), at2(1, 1), at2(-1, 1)];
}

/** From a light's face to what it lights: half of its light falls inside. */
function beamOf({ face }: StageView, flat: Flat, halfDeg: number, lengthM: number): Place[] {
  const { across, up } = flatAxes(flat.faces);
  const side = face === 'plan' ? across : up;
  const half = (face === 'plan' ? flat.widthM : flat.tallM) / 2;
  const spread = half + lengthM * Math.tan(Math.min(WIDEST_DRAWN_DEG, halfDeg) * RADIANS);
  const far = off(flat.at, flat.faces, lengthM);
  return [off(flat.at, side, -half), off(flat.at, side, half), off(far, side, spread), off(far, side, -spread)];
}

interface DrawingProps {
  setup: Setup;
  kit: Kit;
  numbers: SolutionNumbers;
  view: StageView;
  width: number;
  height: number;
  palette: Palette;
  selectedId: string | null;
  sunRingM: number;
}

/** The stage as it is drawn; what is moved lies over it. Ambient is lined, flash dotted. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
export const StageDrawing = memo(function StageDrawing({
  setup,
  kit,
  numbers,
  view,
  width,
  height,
  palette,
  selectedId,
  sunRingM,
}: DrawingProps) {
  const { stage } = setup;
  const { face, pxPerM } = view;
  const eyes = toPx(view, { x: 0, y: 0, z: 0 });
  const backgroundM = setup.backgroundM ?? UNSAID_BACKGROUND_M;
  const { view: frame, at: cameraPlace } = numbers.stage.camera;
  const reach = stage.cameraM + backgroundM;
  const half = face === 'plan' ? frame.halfWidth : frame.halfHeight;
  const fieldSide: Place = face === 'plan' ? { x: 1, y: 0, z: 0 } : { x: 0, y: 1, z: 0 };
  const farMiddle = off(cameraPlace, frame.towards, reach);
  const ground = toPx(view, { x: 0, y: -stage.subject.eyesM, z: 0 }).y;
  const camera = toPx(view, cameraPlace);
  const sun = sunAt({ numbers, sunRingM });
  const wall =
    face === 'plan'
      ? [
          { x: -30, y: 0, z: -backgroundM },
          { x: 30, y: 0, z: -backgroundM },
        ]
      : [
          { x: 0, y: -stage.subject.eyesM, z: -backgroundM },
          { x: 0, y: 6, z: -backgroundM },
        ];
  const [wallA, wallB] = wall.map((place) => toPx(view, place));
  return (
    <Svg width={width} height={height} aria-hidden>
      <Defs>
        <Pattern id="flashDots" width={6} height={6} patternUnits="userSpaceOnUse">
          <Circle cx={2} cy={2} r={1.1} fill={palette.flash} />
        </Pattern>
        <Pattern id="ambientLines" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <Line x1={0} x2={0} y1={0} y2={6} stroke={palette.ambient} strokeWidth={1.4} />
        </Pattern>
      </Defs>
      <MetreGrid
        view={view}
        width={width}
        height={height}
        groundY={face === 'side' ? -stage.subject.eyesM : 0}
        palette={palette}
      />
      {face === 'side' && (
        <Rect x={0} y={ground} width={width} height={Math.max(0, height - ground)} fill={palette.raised} />
      )}
      {face === 'side' && <Line x1={0} x2={width} y1={ground} y2={ground} stroke={palette.quiet} strokeWidth={1.5} />}
      <Polygon
        points={pointsOf(view, [
          cameraPlace,
          off(farMiddle, fieldSide, half * reach),
          off(farMiddle, fieldSide, -half * reach),
        ])}
        fill={palette.text}
        fillOpacity={0.05}
        stroke={palette.quiet}
        strokeWidth={1}
        strokeDasharray="3 4"
      />
      {wallA !== undefined && wallB !== undefined && (
        <Line
          x1={wallA.x}
          y1={wallA.y}
          x2={wallB.x}
          y2={wallB.y}
          stroke={palette.text}
          strokeWidth={3}
          strokeDasharray={
            setup.backgroundM === null
              ? '2 6'
              : stage.background === 'wall'
                ? undefined
                : stage.background === 'trees'
                  ? '12 3'
                  : stage.background === 'water'
                    ? '6 6'
                    : '2 8'
          }
        />
      )}
      {sun !== null && numbers.stage.sun !== null && numbers.stage.sun.altitudeDeg > -1 && (
        <Line
          x1={toPx(view, sun).x}
          y1={toPx(view, sun).y}
          x2={eyes.x}
          y2={eyes.y}
          stroke={palette.ambient}
          strokeWidth={2}
          strokeDasharray="10 5"
        />
      )}
      {numbers.stage.lights.map(({ lightId, flat, halfBeamDeg, index }) => {
        const selected = selectedId === `light:${lightId}`;
        const lengthM = setup.lights[index]?.distanceM ?? 1;
        return (
          <Polygon
            key={lightId}
            points={pointsOf(view, beamOf(view, flat, halfBeamDeg, lengthM))}
            fill="url(#flashDots)"
            fillOpacity={selected ? 0.75 : 0.3}
            stroke={palette.flash}
            strokeOpacity={0.5}
            strokeWidth={0.8}
          />
        );
      })}
      {setup.panels.map((panel) => {
        const flat = panelFlat(panel, kit);
        const opening = isOpening(panel);
        const black = panel.kind === 'flag' || (panel.kind === 'reflector' && panel.surface === 'black');
        return (
          <G key={panel.id}>
            {opening && (
              <Polygon
                points={pointsOf(view, beamOf(view, flat, 30, Math.min(panel.distanceM, 3)))}
                fill="url(#ambientLines)"
                fillOpacity={0.35}
              />
            )}
            <Polygon
              points={pointsOf(view, outline(flat))}
              fill={
                black
                  ? palette.text
                  : opening
                    ? 'url(#ambientLines)'
                    : panel.kind === 'diffuser'
                      ? palette.raised
                      : palette.text
              }
              fillOpacity={black ? 0.9 : panel.kind === 'diffuser' ? 0.7 : 0.25}
              stroke={opening ? palette.ambient : palette.text}
              strokeWidth={3}
              strokeDasharray={panel.kind === 'diffuser' ? '4 3' : undefined}
            />
          </G>
        );
      })}
      {numbers.stage.lights.map(({ lightId, flat, at }) => {
        const stand = toPx(view, at);
        return (
          <G key={lightId}>
            {face === 'side' && (
              <Line x1={stand.x} x2={stand.x} y1={stand.y} y2={ground} stroke={palette.quiet} strokeWidth={2} />
            )}
            <Polygon
              points={pointsOf(view, outline(flat))}
              fill={palette.flash}
              stroke={palette.flash}
              strokeWidth={4}
              strokeLinejoin="round"
            />
          </G>
        );
      })}
      {companions(setup).map((companion) => {
        const { at, turnDeg } = companion;
        const name = words.companion(companion);
        const { x, y } = toPx(view, at);
        const r = Math.max(7, HEAD_M * pxPerM);
        return (
          <G key={name}>
            {face === 'side' && <Line x1={x} x2={x} y1={y + r} y2={ground} stroke={palette.text} strokeWidth={1.5} />}
            <Circle cx={x} cy={y} r={r} fill={palette.raised} stroke={palette.text} strokeWidth={1.5} />
            <Polygon points={noseOf(view, x, y, r, turnDeg)} fill={palette.text} />
          </G>
        );
      })}
      <Head view={view} setup={setup} palette={palette} ground={ground} />
      <CameraBody x={camera.x} y={camera.y} face={face} palette={palette} />
      {sun !== null && (
        <SunSign {...toPx(view, sun)} palette={palette} up={(numbers.stage.sun?.altitudeDeg ?? 0) > 0} />
      )}
      <ScaleBar view={view} height={height} unit={kit.preferences.distanceUnit} palette={palette} />
    </Svg>
  );
});

const METRES = Array.from({ length: 41 }, (_, i) => i - 20);

/** Lines a metre apart, as one path; drawn again only when the view moves. */
const MetreGrid = memo(function MetreGrid({
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

/** The nose of a head, by where the face looks. */
function noseOf({ face }: StageView, x: number, y: number, r: number, turnDeg: number): string {
  const turn = turnDeg * RADIANS;
  const [dx, dy] = face === 'plan' ? [Math.sin(turn), Math.cos(turn)] : [Math.cos(turn), 0];
  return (
    `${x + dx * r * 1.55},${y + dy * r * 1.55} ` +
    `${x + dx * r * 0.8 - dy * r * 0.42},${y + dy * r * 0.8 + dx * r * 0.42} ` +
    `${x + dx * r * 0.8 + dy * r * 0.42},${y + dy * r * 0.8 - dx * r * 0.42}`
  );
}

/** The subject's head with its nose, and in the side view the body. */
function Head({
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
const CameraBody = ({ x, y, face, palette }: { x: number; y: number; face: StageView['face']; palette: Palette }) => (
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

const SunSign = ({ x, y, palette, up }: { x: number; y: number; palette: Palette; up: boolean }) => (
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

function ScaleBar({
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
        {unit === 'm' ? '1 m' : '3 ft'}
      </SvgText>
    </G>
  );
}
