import { aimPlace, panelFlat } from '../gain';
import type { Kit } from '../gear';
import { type Flat, flatAxes, lightPlace, type Place, unitOf } from '../scene';
import { PANEL_FACTS, type Setup } from '../setup';
import type { SolutionNumbers } from '../solution';
import { companions } from '../stage';
import type { Words } from '../words';
import type { DrawnShape, Paint, StageDrawing } from './sheet';

type Spot = { x: number; y: number };
const seen = ({ x, z }: Place): Spot => ({ x, y: z });

/** Drawn where no distance of the background is said, m. */
const UNSAID_BACKGROUND_M = 3;
/** A far background is drawn no farther than this, so that the lights stay large, m. */
const DRAWN_BACKGROUND_M = 6;
const HEAD_M = 0.16;
const NOSE_M = 0.28;
const CAMERA_M = 0.22;
/** The sun is far: its sign stands so far from the subject, m. */
const SUN_M = 2.6;
const SUN_RADIUS_M = 0.18;
/** From a light's middle to its letter, away from what it lights, m. */
const LETTER_M = 0.38;
const MARGIN_M = 0.6;
const RADIANS = Math.PI / 180;

const outline = (paint: Paint, points: Spot[], closed = true): DrawnShape => ({
  kind: 'outline',
  paint,
  points,
  closed,
});

/** A flat thing from above: its two ends, as thick as it is tilted. */
function flatShape(paint: Paint, { at, faces, widthM, tallM }: Flat): DrawnShape {
  const { across, up } = flatAxes(faces);
  const corner = (a: number, b: number): Spot => ({
    x: at.x + (across.x * a * widthM + up.x * b * tallM) / 2,
    y: at.z + (across.z * a * widthM + up.z * b * tallM) / 2,
  });
  return outline(paint, [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)]);
}

/** A head that looks somewhere. */
function headShapes(at: Spot, turnDeg: number): DrawnShape[] {
  const [x, y] = [Math.sin(turnDeg * RADIANS), Math.cos(turnDeg * RADIANS)];
  const nose = { x: at.x + x * NOSE_M, y: at.y + y * NOSE_M };
  const side = { x: -y * HEAD_M * 0.5, y: x * HEAD_M * 0.5 };
  return [
    outline('person', [{ x: at.x + side.x, y: at.y + side.y }, nose, { x: at.x - side.x, y: at.y - side.y }]),
    { kind: 'disc', paint: 'person', at, radiusM: HEAD_M },
  ];
}

/** Farther out than a thing, as seen from what it lights. */
function beyond(at: Place, from: Place, byM: number): Spot {
  const [x, y] = [at.x - from.x, at.z - from.z];
  const far = Math.max(1e-6, Math.hypot(x, y));
  return { x: at.x + (x / far) * byM, y: at.z + (y / far) * byM };
}

function lightShapes(setup: Setup, { stage }: SolutionNumbers): DrawnShape[] {
  return stage.lights.flatMap(({ lightId, index, at, axis, flat, group }): DrawnShape[] => {
    const light = setup.lights[index];
    if (light === undefined || light.id !== lightId) return [];
    const aim = aimPlace(setup, light.aimPointId);
    const towards = unitOf(axis);
    const lengthM = 0.75 * Math.hypot(aim.x - at.x, aim.z - at.z);
    const way = { x: at.x + towards.x * lengthM, y: at.z + towards.z * lengthM };
    return [
      outline('flash', [seen(at), way], false),
      flatShape('flash', flat),
      { kind: 'letter', paint: 'flash', at: beyond(at, aim, LETTER_M), text: group },
    ];
  });
}

/** How lamps are marked on drawing and card: light letters belong to the radio groups. */
export const lampMark = (index: number): string => `L${index + 1}`;
/** How panels and openings are marked. */
export const panelMark = (index: number): string => `P${index + 1}`;

function lampShapes(setup: Setup): DrawnShape[] {
  return setup.lamps.flatMap((lamp, index): DrawnShape[] => {
    const aim = aimPlace(setup, lamp.pointId);
    const at = lightPlace(aim, lamp);
    return [
      { kind: 'disc', paint: 'lamp', at: seen(at), radiusM: 0.12 },
      { kind: 'letter', paint: 'lamp', at: beyond(at, aim, LETTER_M), text: lampMark(index) },
    ];
  });
}

function panelShapes(setup: Setup, kit: Kit): DrawnShape[] {
  return setup.panels.flatMap((panel, index): DrawnShape[] => {
    const flat = panelFlat(panel, kit);
    const paint = PANEL_FACTS[panel.kind].opening ? 'ambient' : 'panel';
    return [
      flatShape(paint, flat),
      { kind: 'letter', paint, at: beyond(flat.at, { x: 0, y: 0, z: 0 }, LETTER_M), text: panelMark(index) },
    ];
  });
}

function cameraShapes({ stage }: SolutionNumbers, reachM: number): DrawnShape[] {
  const { at, view } = stage.camera;
  const half = view.halfWidth * (at.z + reachM);
  const near = { x: at.x, y: at.z };
  return [
    outline('field', [near, { x: half, y: -reachM }, { x: -half, y: -reachM }]),
    outline('camera', [
      { x: near.x - CAMERA_M * 0.4, y: near.y - CAMERA_M },
      { x: near.x + CAMERA_M * 0.4, y: near.y - CAMERA_M },
      { x: near.x + CAMERA_M, y: near.y + CAMERA_M * 0.8 },
      { x: near.x - CAMERA_M, y: near.y + CAMERA_M * 0.8 },
    ]),
  ];
}

const pointsOf = (shape: DrawnShape): Spot[] => (shape.kind === 'outline' ? shape.points : [shape.at]);

function boxOf(shapes: readonly DrawnShape[]): StageDrawing['box'] {
  const points = shapes.filter(({ paint }) => paint !== 'background').flatMap(pointsOf);
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  return {
    left: Math.min(...xs) - MARGIN_M,
    top: Math.min(...ys) - MARGIN_M,
    right: Math.max(...xs) + MARGIN_M,
    bottom: Math.max(...ys) + MARGIN_M,
  };
}

/**
 * The stage from above: people, camera and its view, background, lights, lamps, panels and the sun.
 * @returns shapes in metres, what is drawn first lowest
 */
export function stageDrawing(setup: Setup, kit: Kit, numbers: SolutionNumbers, words: Words): StageDrawing {
  const reachM = Math.min(DRAWN_BACKGROUND_M, setup.backgroundM ?? UNSAID_BACKGROUND_M);
  const { sun } = numbers.stage;
  const shapes: DrawnShape[] = [
    ...cameraShapes(numbers, reachM),
    ...panelShapes(setup, kit),
    ...lampShapes(setup),
    ...lightShapes(setup, numbers),
    ...companions(setup).flatMap(({ at, turnDeg }) => headShapes(seen(at), turnDeg)),
    ...headShapes({ x: 0, y: 0 }, setup.stage.subject.turnDeg),
  ];
  if (sun !== null && sun.altitudeDeg > 0) {
    const at = { x: Math.sin(sun.sideDeg * RADIANS) * SUN_M, y: Math.cos(sun.sideDeg * RADIANS) * SUN_M };
    shapes.push({ kind: 'disc', paint: 'ambient', at, radiusM: SUN_RADIUS_M });
  }
  const box = boxOf(shapes);
  const wall = outline(
    'background',
    [
      { x: box.left, y: -reachM },
      { x: box.right, y: -reachM },
    ],
    false,
  );
  const lengthM = kit.preferences.distanceUnit === 'm' ? 1 : 0.9144;
  return {
    box,
    shapes: [wall, ...shapes],
    scale: { lengthM, text: words.sheet.scale(kit.preferences.distanceUnit) },
    said: words.sheet.drawingSaid(numbers.stage.lights.map(({ group }) => group)),
  };
}
