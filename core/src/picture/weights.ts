import { lightConfig, panelFlat, pointPlace, sentOfCard } from '../gain';
import { FLASH_COLOUR, gelled, type LightColour, linearRgb } from '../colour';
import type { Kit } from '../gear';
import {
  CARD,
  DOME,
  dot,
  lightAt,
  MID_GREY,
  type Rgb,
  skyRadiance,
  softOnCard,
  type Source,
  type Vec,
  WEIGHTS_PER_LAYER,
} from '../renderer';
import type { Place } from '../scene';
import { PANEL_FACTS, type Setup } from '../setup';
import type { SolutionNumbers } from '../solution';
import { CM, type LayerSource, type PictureOf, toVec } from './pictureOf';

/** Which part of the light a picture shows. */
export type Showing = 'all' | 'ambient' | 'flash' | { only: string };

const FACE: Vec = [0, 0, 0];
const TO_CAMERA: Vec = [0, 0, 1];

/** The share of the sky that water mirrors as flat as it is seen. */
const WATER_MIRRORS = 0.4;

const shows = (showing: Showing, { id, kind }: LayerSource): boolean =>
  showing === 'all' ? true : typeof showing === 'string' ? showing === kind : showing.only === id;

/** Strength of each layer at the subject: its linear weight, such that a card in the metered light comes to where the solution says. */
export interface Strengths {
  /** by layer id: weight at the subject, at the backdrop, at the sky */
  at: Map<string, readonly [number, number, number]>;
}

/**
 * Levels every layer by the solution: π·2^stops over what the layer at unit strength gives a receiver at the metered place.
 * For the soft light the receiver is a card that faces the camera, for sources a dome. The backdrop and the sky are
 * levelled by their own points where these were metered.
 * @returns null before there are camera settings
 */
// eslint-disable-next-line complexity, max-lines-per-function -- a weight a source, in the order of the layers
export function strengthsOf(
  setup: Setup,
  kit: Kit,
  solution: SolutionNumbers,
  { layers, scene }: PictureOf,
): Strengths | null {
  const face = solution.points.find(({ role }) => role === 'face');
  const background = solution.points.find(({ role }) => role === 'background');
  const skyPoint = solution.points.find(({ role }) => role === 'sky');
  if (solution.camera === null || face?.ambientStops == null) return null;
  const faceFacing = facingOf(setup, 'face') ?? TO_CAMERA;
  const { soft, openings, sunOnCard } = solution.stage.ambient;
  const ambient = Math.PI * 2 ** face.ambientStops;
  const backdropAt: Vec = [0, 0, scene.backdrop.z];
  const at = new Map<string, readonly [number, number, number]>();
  const lit: { source: Source | null; weight: number }[] = [];
  const put = (id: string, source: Source | null, weight: number, backdrop = weight) => {
    at.set(id, [weight, backdrop, 0]);
    lit.push({ source, weight });
  };
  for (const layer of layers) {
    const { id, source } = layer;
    const [kind, own = ''] = id.split(':');
    if (source === null) put(id, null, (ambient * soft) / softOnCard(scene, TO_CAMERA));
    else if (kind === 'sun') put(id, source, ambient * sunOnCard);
    else if (kind === 'lamp') {
      const lamp = solution.lamps.find((one) => one.id === own);
      const point = setup.points.find((one) => one.id === lamp?.pointId);
      const place = point === undefined ? null : pointPlace(point, setup);
      const received =
        place === null ? 0 : lightAt(source, toVec(place.at), [place.faces.x, place.faces.y, place.faces.z], DOME);
      put(
        id,
        source,
        lamp?.on !== true || received <= 0 ? 0 : (Math.PI * 2 ** (lamp.ev100 - solution.camera.ev100)) / received,
      );
    } else if (kind === 'light') {
      const weightBy = (role: 'face' | 'background', where: Vec, facing: Vec) => {
        const stops = (role === 'face' ? face : background)?.sources.find(({ lightId }) => lightId === own)?.stops;
        const received = stops === undefined ? 0 : lightAt(source, where, facing, DOME);
        return stops === undefined || received <= 0 ? null : (Math.PI * 2 ** stops) / received;
      };
      const weight = weightBy('face', FACE, faceFacing) ?? aimWeight(setup, solution, own, source) ?? 0;
      put(
        id,
        source,
        weight,
        setup.backgroundM === null ? weight : (weightBy('background', backdropAt, TO_CAMERA) ?? weight),
      );
    } else {
      const opening = openings.find(({ panelId }) => panelId === own);
      if (opening !== undefined)
        put(id, source, (ambient * opening.share) / Math.max(1e-6, lightAt(source, FACE, TO_CAMERA, DOME)));
    }
  }
  // panels that are lit by all the others
  for (const { id, source } of layers) {
    const panel = setup.panels.find((one) => `panel:${one.id}` === id);
    if (panel === undefined || source === null || PANEL_FACTS[panel.kind].opening) continue;
    const flat = panelFlat(panel, kit);
    const front: Vec = [flat.faces.x, flat.faces.y, flat.faces.z];
    const facing: Vec = panel.kind === 'diffuser' ? [-front[0], -front[1], -front[2]] : front;
    const sent = lit.reduce((sum, { source: other, weight }) => {
      const onIt = other === null ? softOnCard(scene, facing) : lightAt(other, toVec(flat.at), facing, CARD, 16);
      return (
        sum +
        weight *
          onIt *
          sentOfCard({ panel, flat }, other === null ? null : directionTo(other, flat.at), { x: 0, y: 0, z: 0 })
      );
    }, 0);
    const areaM2 = flat.round ? (Math.PI / 4) * flat.widthM * flat.tallM : flat.widthM * flat.tallM;
    at.set(id, [(sent * areaM2) / Math.PI, (sent * areaM2) / Math.PI, 0]);
  }
  levelBackdrop();
  return { at };

  /** The backdrop by its own reading, the sky by its own or the backdrop's. */
  // eslint-disable-next-line complexity -- a weight a source, in the order of the layers
  function levelBackdrop(): void {
    const ambientLayers = layers.filter(({ kind }) => kind === 'ambient');
    const radiance = new Float64Array(3);
    skyRadiance(scene.sky, 0, 0.18, -0.98, radiance);
    // water shows the sky, not the light that falls on it
    const water = scene.backdrop.kind === 'water' ? (at.get('soft')?.[1] ?? 0) * WATER_MIRRORS * radiance[1]! : null;
    const backdropLevel =
      water !== null
        ? water / MID_GREY
        : ambientLayers.reduce(
            (sum, { id, source }) =>
              sum +
              ((at.get(id)?.[1] ?? 0) *
                (source === null ? softOnCard(scene, TO_CAMERA) : lightAt(source, backdropAt, TO_CAMERA, CARD, 16))) /
                Math.PI,
            0,
          );
    const backdropBy =
      background?.ambientStops == null || backdropLevel <= 0 ? 1 : 2 ** background.ambientStops / backdropLevel;
    for (const { id } of ambientLayers) {
      const [subject = 0, backdrop = 0] = at.get(id) ?? [];
      at.set(id, [subject, backdrop * backdropBy, 0]);
    }
    const softWeight = at.get('soft')?.[0] ?? 0;
    const by = skyPoint ?? (scene.backdrop.kind === 'sky' ? background : undefined);
    const [, backdrop = 0] = at.get('soft') ?? [];
    const skyWeight =
      by?.ambientStops == null
        ? scene.backdrop.kind === 'water'
          ? backdrop
          : softWeight
        : (MID_GREY * 2 ** (by.placedAmbientStops ?? by.ambientStops)) / Math.max(1e-9, radiance[1]!);
    at.set('soft', [softWeight, backdrop, skyWeight]);
  }
}

/** Where a source lies, seen from a place in metres. */
function directionTo(source: Source, { x, y, z }: Place): Place {
  const [sx, sy, sz] =
    source.kind === 'sun'
      ? source.towards
      : [source.centre[0] / CM - x, source.centre[1] / CM - y, source.centre[2] / CM - z];
  return { x: sx, y: sy, z: sz };
}

/** Where the dome at a kind of point looks. */
function facingOf(setup: Setup, role: 'face'): Vec | null {
  const point = setup.points.find((one) => one.role === role);
  const place = point === undefined ? null : pointPlace(point, setup);
  return place === null ? null : [place.faces.x, place.faces.y, place.faces.z];
}

/** A light that does not reach the face is levelled where it aims. */
function aimWeight(setup: Setup, solution: SolutionNumbers, lightId: string, source: Source): number | null {
  const light = setup.lights.find(({ id }) => id === lightId);
  const point = setup.points.find(({ id }) => id === light?.aimPointId);
  const place = point === undefined ? null : pointPlace(point, setup);
  const stops = solution.points
    .find(({ pointId }) => pointId === point?.id)
    ?.sources.find((one) => one.lightId === lightId)?.stops;
  if (place === null || stops === undefined) return null;
  const received = lightAt(source, toVec(place.at), [place.faces.x, place.faces.y, place.faces.z], DOME);
  return received <= 0 ? null : (Math.PI * 2 ** stops) / received;
}

/** The colour of a layer against the white balance, channel by channel. */
function tintOf(
  { id }: LayerSource,
  setup: Setup,
  kit: Kit,
  solution: SolutionNumbers,
): { subject: Rgb; backdrop: Rgb } {
  const white = linearRgb(solution.colour.whiteBalance);
  const against = (colour: LightColour): Rgb => {
    const [r, g, b] = linearRgb(colour);
    return [r / white[0], g / white[1], b / white[2]];
  };
  const [kind, own] = id.split(':');
  if (kind === 'light') {
    const light = setup.lights.find((one) => one.id === own);
    const config = light === undefined ? null : lightConfig(kit, light);
    const rgb = against(config === null ? FLASH_COLOUR : gelled(FLASH_COLOUR, config.gels));
    return { subject: rgb, backdrop: rgb };
  }
  if (kind === 'lamp') {
    const lamp = setup.lamps.find((one) => one.id === own);
    const rgb = against({ kelvin: lamp?.kelvin ?? FLASH_COLOUR.kelvin, greenCc: 0 });
    return { subject: rgb, backdrop: rgb };
  }
  const ambientAt = (role: 'face' | 'background'): LightColour | null => {
    const point = setup.points.find((one) => one.role === role);
    return setup.colour.ambient.find(({ pointId }) => pointId === point?.id) ?? null;
  };
  const onFace = ambientAt('face') ?? ambientAt('background') ?? solution.colour.whiteBalance;
  return { subject: against(onFace), backdrop: against(ambientAt('background') ?? onFace) };
}

/**
 * The weights of a picture's layers, in their order, for the composer: strength times colour, by region.
 * @param showing all light, only what is there, only flash, or one layer
 * @returns null before there are camera settings
 */
export function weightsOf(
  setup: Setup,
  kit: Kit,
  solution: SolutionNumbers,
  picture: PictureOf,
  showing: Showing = 'all',
): Float64Array | null {
  const strengths = strengthsOf(setup, kit, solution, picture);
  if (strengths === null) return null;
  const weights = new Float64Array(picture.layers.length * WEIGHTS_PER_LAYER);
  picture.layers.forEach((layer, index) => {
    if (!shows(showing, layer)) return;
    const strength = strengths.at.get(layer.id) ?? [0, 0, 0];
    const { subject, backdrop } = tintOf(layer, setup, kit, solution);
    for (let region = 0; region < 3; region += 1)
      for (let k = 0; k < 3; k += 1)
        weights[index * WEIGHTS_PER_LAYER + region * 3 + k] =
          strength[region]! * (region === 0 ? subject : backdrop)[k]!;
  });
  return weights;
}

/** A card of 18 % at the face, turned to the camera, as the picture's weights see it: its linear value; mid grey is 0.18. */
export function greyCardValue(
  setup: Setup,
  kit: Kit,
  solution: SolutionNumbers,
  picture: PictureOf,
  facing: Vec,
): number | null {
  const strengths = strengthsOf(setup, kit, solution, picture);
  if (strengths === null) return null;
  return picture.layers.reduce(
    (sum, { id, source }) =>
      sum +
      ((strengths.at.get(id)?.[0] ?? 0) *
        MID_GREY *
        (source === null
          ? softOnCard(picture.scene, facing)
          : source.kind === 'sun'
            ? Math.max(0, dot(source.towards, facing))
            : lightAt(source, FACE, facing, CARD))) /
        Math.PI,
    0,
  );
}
