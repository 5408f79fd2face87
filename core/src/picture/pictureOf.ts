import { isIndoors, lightConfig, panelFlat, pointPlace } from '../gain';
import type { Kit, Surface } from '../gear';
import { beamShare } from '../modifiers';
import {
  areaSource,
  type BACKDROPS,
  beamTable,
  type Blocker,
  cosineBeam,
  HAIR_TONES,
  openSky,
  type Outline,
  type Person,
  type PictureScene,
  type Rgb,
  room,
  SKIN_TONES,
  type Source,
  type Vec,
} from '../renderer';
import { type Flat, flatAxes, frameSizeM, lightPlace, type Place } from '../scene';
import { type Light, type LightRole, PANEL_FACTS, type PanelKind, type Setup } from '../setup';
import type { SolutionNumbers } from '../solution';
import { companions, setupView } from '../stage';

/**
 * What casts a layer's light: the sky or the room all round, the sun, a panel, a lamp of the kit, or a light of
 * the setup.
 */
export type Caster =
  | { kind: 'sky' | 'room' | 'sun' }
  | { kind: 'panel'; panel: PanelKind; surface: Surface }
  | { kind: 'lamp'; name: string }
  | { kind: 'light'; role: LightRole; group: Light['group'] };

/**
 * One layer of the picture: what casts it, and a key that changes when it must be rendered again. `null`: the
 * soft light from all round.
 */
export interface LayerSource {
  id: string;
  caster: Caster;
  kind: 'ambient' | 'flash';
  source: Source | null;
  key: string;
}

/** Everything that a setup's picture is made of, but the light's strength. */
export interface PictureOf {
  scene: PictureScene;
  /** how far spectacles are tipped down, radians */
  lensTilt: number;
  layers: LayerSource[];
  width: number;
  height: number;
  /** true when the picture shows less than the camera's frame */
  cropped: boolean;
  /** changes when what is seen changes, so that all layers are rendered again */
  sceneKey: string;
  /** changes when the sculpture does */
  lookKey: string;
}

/** Centimetres in a metre: the renderer counts in the former. */
export const CM = 100;
const RADIANS = Math.PI / 180;
/** The picture's size in pixels: upright for one or two, lying for a group. */
export const PICTURE = { short: 360, long: 480 } as const;
/** A head with its shoulders, and the most that the bust fills, cm. */
const HEAD_CM = 47;
const MOST_CM = 62;
/** A couple lies across: from shoulder to shoulder with air beside them. */
const TWO_CM = 84;
const BUST_ENDS_CM = -55;
const FAR_BACKDROP_CM = 4000;

const GROUND_ALBEDO: Record<Setup['stage']['ground'], Rgb> = {
  snow: [0.78, 0.8, 0.84],
  grass: [0.13, 0.16, 0.09],
  stone: [0.25, 0.24, 0.22],
  wood: [0.26, 0.19, 0.12],
};
const BACKDROP_ALBEDO: Record<(typeof BACKDROPS)[number], Rgb> = {
  wall: [0.32, 0.31, 0.29],
  trees: [0.085, 0.11, 0.06],
  water: [0.03, 0.045, 0.05],
  sky: [0.2, 0.2, 0.2],
};

export const toVec = ({ x, y, z }: Place): Vec => [x * CM, y * CM, z * CM];
const directionVec = ({ x, y, z }: Place): Vec => [x, y, z];

/** People of the picture: the one in focus, one beside, or a group as far as its people stand. */
function peopleOf(setup: Setup): Person[] {
  return [{ at: { x: 0, y: 0, z: 0 }, turnDeg: setup.stage.subject.turnDeg }, ...companions(setup)].map(
    ({ at, turnDeg }): Person => ({ at: [at.x * CM, at.y * CM, at.z * CM], turn: turnDeg * RADIANS }),
  );
}

/**
 * What of the frame is shown: head and shoulders at least, the camera's frame where the busts fill it, a group
 * whole.
 */
function viewpointOf(
  setup: Setup,
  kit: Kit,
): { view: PictureScene['view']; width: number; height: number; cropped: boolean; bodies: boolean } {
  const { view } = setupView(setup, kit);
  const frame = frameSizeM(view, { x: 0, y: 0, z: 0 });
  const from = toVec(view.from);
  if (setup.people !== null) {
    const wideCm = (setup.people.leftM + setup.people.rightM + 0.9) * CM;
    const heightCm = Math.max(130, (wideCm * PICTURE.short) / PICTURE.long);
    return {
      view: { from, at: [0, 35 - heightCm / 2, 0], heightCm },
      width: PICTURE.long,
      height: PICTURE.short,
      cropped: frame.widthM * CM > wideCm * 1.05,
      bodies: true,
    };
  }
  const [beside] = companions(setup);
  if (beside !== undefined)
    return {
      view: { from, at: [(beside.at.x * CM) / 2, BUST_ENDS_CM + TWO_CM / 2, 0], heightCm: TWO_CM },
      width: PICTURE.long,
      height: PICTURE.short,
      cropped: frame.widthM * CM > ((TWO_CM * PICTURE.long) / PICTURE.short) * 1.02,
      bodies: false,
    };
  const heightCm = Math.min(MOST_CM, Math.max(HEAD_CM, frame.heightM * CM));
  return {
    view: { from, at: [0, Math.max(-4.5, BUST_ENDS_CM + heightCm / 2), 0], heightCm },
    width: PICTURE.short,
    height: PICTURE.long,
    cropped: frame.heightM * CM > heightCm * 1.02,
    bodies: false,
  };
}

function blockerOf(flat: Flat): Blocker {
  const { across, up } = flatAxes(flat.faces);
  return {
    centre: toVec(flat.at),
    normal: directionVec(flat.faces),
    across: directionVec(across),
    up: directionVec(up),
    halfAcross: (flat.widthM / 2) * CM,
    halfUp: (flat.tallM / 2) * CM,
    round: flat.round,
    passes: 0,
  };
}

const round3 = (values: readonly number[]): string => values.map((value) => value.toFixed(3)).join();

/** The luminous face of a flat thing as a source. */
const sourceOf = ({ at, faces, widthM, tallM }: Flat, outline: Outline, beam: Float32Array): Source =>
  areaSource(toVec(at), directionVec(faces), widthM * CM, tallM * CM, outline, beam);

/** A source's key: the same key is the same layer. */
const keyOf = (source: Source): string =>
  source.kind === 'sun'
    ? `sun ${round3(source.towards)}`
    : `${source.outline} ${round3([...source.centre, ...source.axis, source.halfAcross, source.halfUp])} ` +
      `${round3([16, 128, 256, 384, 480, 511].map((i) => source.beam[i] ?? 0))}`;

/**
 * The picture of a setup: its scene and the sources of its layers, by which the renderer works.
 * The same documents give the same picture.
 */
// eslint-disable-next-line complexity, max-lines-per-function -- the scene put together in the order it is seen
export function pictureOf(setup: Setup, kit: Kit, solution: SolutionNumbers): PictureOf {
  const { stage } = setup;
  const { subject } = stage;
  const indoors = isIndoors(setup);
  const towards: Vec = solution.stage.sun === null ? [0, 0.6, -0.8] : directionVec(solution.stage.sun.towards);
  const flats = setup.panels.map((panel) => ({ panel, flat: panelFlat(panel, kit) }));
  const { view, width, height, cropped, bodies } = viewpointOf(setup, kit);
  const scene: PictureScene = {
    look: {
      hat: subject.hat,
      spectacles: subject.spectacles,
      deepSet: subject.deepSet,
      skin: SKIN_TONES[subject.skin],
      hair: HAIR_TONES[subject.hair],
    },
    people: peopleOf(setup),
    bodies,
    groundY: -subject.eyesM * CM,
    groundAlbedo: GROUND_ALBEDO[stage.ground],
    backdrop: {
      kind: stage.background,
      z: -(setup.backgroundM === null ? FAR_BACKDROP_CM : setup.backgroundM * CM),
      albedo: BACKDROP_ALBEDO[stage.background],
    },
    sky: indoors ? room() : openSky(towards),
    blockers: flats.filter(({ panel }) => !PANEL_FACTS[panel.kind].opening).map(({ flat }) => blockerOf(flat)),
    view,
  };
  const layers: LayerSource[] = [
    { id: 'soft', caster: { kind: indoors ? 'room' : 'sky' }, kind: 'ambient', source: null, key: 'soft' },
  ];
  const add = (id: string, caster: Caster, kind: LayerSource['kind'], source: Source) =>
    layers.push({ id, caster, kind, source, key: keyOf(source) });
  if (solution.stage.sun !== null && solution.stage.sun.altitudeDeg > 0 && solution.stage.ambient.sunOnCard > 0)
    add('sun', { kind: 'sun' }, 'ambient', { kind: 'sun', towards });
  for (const { panel, flat } of flats) {
    if (panel.kind !== 'flag' && !(panel.kind === 'reflector' && panel.surface === 'black'))
      add(
        `panel:${panel.id}`,
        { kind: 'panel', panel: panel.kind, surface: panel.surface },
        'ambient',
        sourceOf(flat, flat.round ? 'round' : 'rectangle', cosineBeam()),
      );
  }
  for (const lamp of setup.lamps) {
    const own = kit.lamps.find(({ id }) => id === lamp.lampId);
    const point = setup.points.find(({ id }) => id === lamp.pointId);
    if (own === undefined || point === undefined) continue;
    const aim = pointPlace(point, setup)?.at ?? { x: 0, y: 0, z: 0 };
    const at = lightPlace(aim, lamp);
    add(
      `lamp:${lamp.id}`,
      { kind: 'lamp', name: own.name },
      'ambient',
      areaSource(
        toVec(at),
        [aim.x - at.x, aim.y - at.y, aim.z - at.z],
        30,
        30,
        'rectangle',
        beamTable((angle) => beamShare(own.beam, angle)),
      ),
    );
  }
  for (const { lightId, role, group, flat } of solution.stage.lights) {
    const light = setup.lights.find(({ id }) => id === lightId);
    const config = light === undefined ? null : lightConfig(kit, light);
    if (config === null) continue;
    const outline: Outline =
      config.modifier.shape.kind === 'rectangle'
        ? 'rectangle'
        : config.modifier.shape.kind === 'round' && config.modifier.layers > 0
          ? 'octagon'
          : 'round';
    add(
      `light:${lightId}`,
      { kind: 'light', role, group },
      'flash',
      sourceOf(
        flat,
        outline,
        beamTable((angle) => beamShare(config.beam, angle)),
      ),
    );
  }
  const {
    look: { hat, spectacles, deepSet },
    blockers,
  } = scene;
  const lookKey = [hat, spectacles, deepSet].join();
  return {
    scene,
    lensTilt: subject.spectaclesTiltDeg * RADIANS,
    layers,
    width,
    height,
    cropped,
    lookKey,
    sceneKey: JSON.stringify([
      lookKey,
      subject.skin,
      subject.hair,
      subject.spectaclesTiltDeg,
      scene.people,
      bodies,
      scene.groundY,
      stage.ground,
      scene.backdrop,
      indoors,
      indoors ? null : round3(towards),
      blockers.map(({ centre, normal, halfAcross }) => round3([...centre, ...normal, halfAcross])),
      view,
      width,
    ]),
  };
}
