import { words } from '@/language/words';
import type { Palette } from '@/ui/palette';
import { memo } from 'react';
import Svg, { Circle, Defs, G, Line, Pattern, Polygon, Rect } from 'react-native-svg';

import { panelFlat } from '@sphene/core/gain';
import type { Kit } from '@sphene/core/gear';
import { formatDistance } from '@sphene/core/notation';
import type { Place } from '@sphene/core/scene';
import type { Panel, Setup } from '@sphene/core/setup';
import type { SolutionNumbers } from '@sphene/core/solution';
import { companions } from '@sphene/core/stage';
import { Body, CameraBody, Head, headPx, MetreGrid, ScaleBar, Stand, SunSign } from './StageSigns';
import { beamOf, noseOf, off, outline, pointsOf } from './stageShapes';
import { type StageView, toPx } from './stageView';
import { isOpening, sunAt, UNSAID_BACKGROUND_M } from './things';

/** What every part of the drawing is drawn from. */
interface Drawn {
  setup: Setup;
  numbers: SolutionNumbers;
  view: StageView;
  palette: Palette;
}
interface DrawingProps extends Drawn {
  kit: Kit;
  width: number;
  height: number;
  selectedId: string | null;
  sunRingM: number;
}

/** Ambient is lined, flash dotted. */
const Textures = ({ palette }: { palette: Palette }) => (
  <Defs>
    <Pattern id="flashDots" width={6} height={6} patternUnits="userSpaceOnUse">
      <Circle cx={2} cy={2} r={1.1} fill={palette.flash} />
    </Pattern>
    <Pattern id="ambientLines" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <Line x1={0} x2={0} y1={0} y2={6} stroke={palette.ambient} strokeWidth={1.4} />
    </Pattern>
  </Defs>
);

/** What the camera sees, to the background. */
function Field({ setup, numbers, view, palette }: Drawn) {
  const plan = view.face === 'plan';
  const { view: frame, at } = numbers.stage.camera;
  const reach = setup.stage.cameraM + (setup.backgroundM ?? UNSAID_BACKGROUND_M);
  const half = (plan ? frame.halfWidth : frame.halfHeight) * reach;
  const side: Place = plan ? { x: 1, y: 0, z: 0 } : { x: 0, y: 1, z: 0 };
  const far = off(at, frame.towards, reach);
  return (
    <Polygon
      points={pointsOf(view, [at, off(far, side, half), off(far, side, -half)])}
      fill={palette.text}
      fillOpacity={0.05}
      stroke={palette.quiet}
      strokeWidth={1}
      strokeDasharray="3 4"
    />
  );
}

/** How the line of each background is broken. */
const WALL_DASHES: Record<Setup['stage']['background'], string | undefined> = {
  wall: undefined,
  trees: '12 3',
  water: '6 6',
  sky: '2 8',
};
const UNSAID_DASHES = '2 6';

function Background({ setup, view, palette }: Drawn) {
  const z = -(setup.backgroundM ?? UNSAID_BACKGROUND_M);
  const { eyesM } = setup.stage.subject;
  const plan = view.face === 'plan';
  const from = toPx(view, plan ? { x: -30, y: 0, z } : { x: 0, y: -eyesM, z });
  const to = toPx(view, plan ? { x: 30, y: 0, z } : { x: 0, y: 6, z });
  return (
    <Line
      x1={from.x}
      y1={from.y}
      x2={to.x}
      y2={to.y}
      stroke={palette.text}
      strokeWidth={3}
      strokeDasharray={setup.backgroundM === null ? UNSAID_DASHES : WALL_DASHES[setup.stage.background]}
    />
  );
}

/** The way of the sun to the eyes, while it is up. */
function SunRay({ numbers, view, palette, at }: Drawn & { at: Place | null }) {
  if (at === null || numbers.stage.sun === null || numbers.stage.sun.altitudeDeg <= -1) return null;
  const [from, to] = [toPx(view, at), toPx(view, { x: 0, y: 0, z: 0 })];
  return (
    <Line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke={palette.ambient} strokeWidth={2} strokeDasharray="10 5" />
  );
}

function Beams({ setup, numbers, view, palette, selectedId }: Drawn & { selectedId: string | null }) {
  return numbers.stage.lights.map(({ lightId, flat, halfBeamDeg, index }) => (
    <Polygon
      key={lightId}
      points={pointsOf(view, beamOf(view, flat, halfBeamDeg, setup.lights[index]?.distanceM ?? 1))}
      fill="url(#flashDots)"
      fillOpacity={selectedId === `light:${lightId}` ? 0.75 : 0.3}
      stroke={palette.flash}
      strokeOpacity={0.5}
      strokeWidth={0.8}
    />
  ));
}

/** How a panel is filled: black ones solid, openings lined, a diffuser as a veil. */
function panelPaint(panel: Panel, palette: Palette) {
  const opening = isOpening(panel);
  const black = panel.kind === 'flag' || (panel.kind === 'reflector' && panel.surface === 'black');
  const stroke = opening ? palette.ambient : palette.text;
  if (black) return { fill: palette.text, fillOpacity: 0.9, stroke };
  if (panel.kind === 'diffuser') return { fill: palette.raised, fillOpacity: 0.7, stroke, strokeDasharray: '4 3' };
  return { fill: opening ? 'url(#ambientLines)' : palette.text, fillOpacity: 0.25, stroke };
}

function Panels({ setup, view, palette, kit }: Drawn & { kit: Kit }) {
  return setup.panels.map((panel) => {
    const flat = panelFlat(panel, kit);
    return (
      <G key={panel.id}>
        {isOpening(panel) && (
          <Polygon
            points={pointsOf(view, beamOf(view, flat, 30, Math.min(panel.distanceM, 3)))}
            fill="url(#ambientLines)"
            fillOpacity={0.35}
          />
        )}
        <Polygon points={pointsOf(view, outline(flat))} strokeWidth={3} {...panelPaint(panel, palette)} />
      </G>
    );
  });
}

/** Each light's front, from the side on its stand. */
function Fronts({ setup, kit, numbers, view, palette, ground }: Drawn & { kit: Kit; ground: number }) {
  return numbers.stage.lights.map(({ lightId, index, flat, at }) => {
    const upM = at.y + setup.stage.subject.eyesM;
    const label = `${setup.lights[index]?.group ?? ''} ${formatDistance(upM, kit.preferences.distanceUnit)}`;
    return (
      <G key={lightId}>
        {view.face === 'side' && (
          <Stand view={view} at={toPx(view, at)} ground={ground} label={label} palette={palette} />
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
  });
}

function Company({ setup, view, palette, ground }: Drawn & { ground: number }) {
  const r = headPx(view);
  return companions(setup).map((companion) => {
    const { x, y } = toPx(view, companion.at);
    return (
      <G key={words.companion(companion)}>
        {view.face === 'side' && (
          <Body view={view} at={{ x, y }} ground={ground} turnDeg={companion.turnDeg} palette={palette} />
        )}
        <Circle cx={x} cy={y} r={r} fill={palette.raised} stroke={palette.text} strokeWidth={1.5} />
        <Polygon points={noseOf(view, x, y, r, companion.turnDeg)} fill={palette.text} />
      </G>
    );
  });
}

/** The ground as it is seen from the side. */
const Ground = ({ y, width, height, palette }: { y: number; width: number; height: number; palette: Palette }) => (
  <>
    <Rect x={0} y={y} width={width} height={Math.max(0, height - y)} fill={palette.raised} />
    <Line x1={0} x2={width} y1={y} y2={y} stroke={palette.quiet} strokeWidth={1.5} />
  </>
);

/** The stage as it is drawn; what is moved lies over it. */
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
  const drawn: Drawn = { setup, numbers, view, palette };
  const { eyesM } = setup.stage.subject;
  const fromSide = view.face === 'side';
  const ground = toPx(view, { x: 0, y: -eyesM, z: 0 }).y;
  const sun = sunAt({ numbers, sunRingM });
  return (
    <Svg width={width} height={height} aria-hidden>
      <Textures palette={palette} />
      <MetreGrid view={view} width={width} height={height} groundY={fromSide ? -eyesM : 0} palette={palette} />
      {fromSide && <Ground y={ground} width={width} height={height} palette={palette} />}
      <Field {...drawn} />
      <Background {...drawn} />
      <SunRay {...drawn} at={sun} />
      <Beams {...drawn} selectedId={selectedId} />
      <Panels {...drawn} kit={kit} />
      <Fronts {...drawn} kit={kit} ground={ground} />
      <Company {...drawn} ground={ground} />
      <Head view={view} setup={setup} palette={palette} ground={ground} />
      <CameraBody {...toPx(view, numbers.stage.camera.at)} face={view.face} palette={palette} />
      {sun !== null && (
        <SunSign {...toPx(view, sun)} palette={palette} up={(numbers.stage.sun?.altitudeDeg ?? 0) > 0} />
      )}
      <ScaleBar view={view} unit={kit.preferences.distanceUnit} palette={palette} />
    </Svg>
  );
});
