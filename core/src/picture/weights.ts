import { lightConfig, pointPlace } from '../gain';
import { FLASH_COLOUR, gelled, type LightColour, linearRgb, shiftedKelvin } from '../colour';
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
import { type MeteringPoint, PANEL_FACTS, type Setup, tintMiredOf } from '../setup';
import type { SolutionNumbers } from '../solution';
import { type ByPanel, LayerLevels } from './layerLevels';
import { type LayerSource, type PictureOf, toVec } from './pictureOf';

/** Which part of the light a picture shows. */
export type Showing = 'all' | 'ambient' | 'flash' | { only: string };

const FACE: Vec = [0, 0, 0];
const TO_CAMERA: Vec = [0, 0, 1];

/** The share of the sky that water mirrors as flat as it is seen. */
const WATER_MIRRORS = 0.4;

/** The share of a layer that a picture shows: of a panel's, what it sends on of that light. */
function shownOf(showing: Showing, { id, kind }: LayerSource, { parts }: Strengths, setup: Setup): number {
  if (showing === 'all') return 1;
  const sent = parts.get(id);
  if (sent === undefined || (typeof showing !== 'string' && showing.only === id))
    return (typeof showing === 'string' ? showing === kind : showing.only === id) ? 1 : 0;
  const isLamp = (own: string) => setup.lamps.some((lamp) => lamp.id === own);
  const flash = [...sent.by].reduce((sum, [own, level]) => (isLamp(own) ? sum : sum + level), 0);
  const all = [...sent.by.values()].reduce((sum, level) => sum + level, sent.ambient);
  if (all <= 0) return 0;
  if (showing === 'flash') return flash / all;
  if (showing === 'ambient') return 1 - flash / all;
  return (sent.by.get(showing.only.split(':')[1] ?? '') ?? 0) / all;
}

/** Strength of each layer at the subject: its linear weight, such that a card in the metered light comes to where the solution says. */
export interface Strengths {
  /** by layer id: weight at the subject, at the backdrop, at the sky */
  at: Map<string, readonly [number, number, number]>;
  /** by a panel's layer: what part of its weight is of the ambient, and of each light and lamp */
  parts: Map<string, ByPanel>;
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
  const facePoint = setup.points.find(({ id }) => id === face?.pointId);
  if (solution.camera === null || face?.ambientStops == null || facePoint === undefined) return null;
  const levels = new LayerLevels(setup, kit, solution);
  const { soft, openings, sunOnCard } = solution.stage.ambient;
  const ambient = Math.PI * 2 ** face.ambientStops;
  const backdropAt: Vec = [0, 0, scene.backdrop.z];
  const at = new Map<string, readonly [number, number, number]>();
  const parts = new Map<string, ByPanel>();
  const put = (id: string, weight: number, backdrop = weight) => at.set(id, [weight, backdrop, 0]);
  /** what brings a source to a level on a dome at a point; null where it gives nothing there */
  const weightAt = (source: Source, point: MeteringPoint | undefined, stops: number | null): number | null => {
    const place = point === undefined ? null : pointPlace(point, setup);
    if (place === null || stops === null) return null;
    const received = lightAt(source, toVec(place.at), [place.faces.x, place.faces.y, place.faces.z], DOME);
    return received <= 0 ? null : (Math.PI * 2 ** stops) / received;
  };
  const pointOf = (id: string | undefined) => setup.points.find((one) => one.id === id);
  for (const { id, source } of layers) {
    const [kind, own = ''] = id.split(':');
    const panel = setup.panels.find((one) => `panel:${one.id}` === id);
    if (source === null) put(id, (ambient * soft) / softOnCard(scene, TO_CAMERA));
    else if (kind === 'sun') put(id, ambient * sunOnCard);
    else if (kind === 'lamp') {
      const lamp = setup.lamps.find((one) => one.id === own);
      put(id, lamp === undefined ? 0 : (weightAt(source, pointOf(lamp.pointId), levels.lampAt(lamp)) ?? 0));
    } else if (kind === 'light') {
      const light = setup.lights.find((one) => one.id === own);
      const reaches = (point: MeteringPoint | undefined) =>
        light === undefined || point === undefined ? null : weightAt(source, point, levels.lightAt(light, point));
      // a light that does not reach the face is levelled where it aims
      const weight = reaches(facePoint) ?? reaches(pointOf(light?.aimPointId)) ?? 0;
      put(id, weight, (setup.backgroundM === null ? null : reaches(pointOf(background?.pointId))) ?? weight);
    } else if (panel !== undefined && !PANEL_FACTS[panel.kind].opening) {
      const sent = levels.byPanel(panel.id, facePoint, face.ambientStops);
      const all = [...sent.by.values()].reduce((sum, one) => sum + one, sent.ambient);
      parts.set(id, sent);
      put(id, all <= 0 ? 0 : (weightAt(source, facePoint, Math.log2(all)) ?? 0));
    } else {
      const share = openings.find(({ panelId }) => panelId === own)?.share ?? 0;
      put(id, share <= 0 ? 0 : (weightAt(source, facePoint, face.ambientStops + Math.log2(share)) ?? 0));
    }
  }
  levelBackdrop();
  return { at, parts };

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

/** The colour of a light or a lamp of the setup; null: there is none of this number. */
function ownColour(id: string, setup: Setup, kit: Kit): LightColour | null {
  const light = setup.lights.find((one) => one.id === id);
  if (light !== undefined) {
    const config = lightConfig(kit, light);
    return config === null ? FLASH_COLOUR : gelled(FLASH_COLOUR, config.gels);
  }
  const lamp = setup.lamps.find((one) => one.id === id);
  return lamp === undefined ? null : { kelvin: lamp.kelvin, greenCc: 0 };
}

/** The mean of colours, each by its share. */
function mixed(parts: readonly { rgb: Rgb; share: number }[]): Rgb {
  const all = parts.reduce((sum, { share }) => sum + share, 0);
  const mean = (k: 0 | 1 | 2) => parts.reduce((sum, { rgb, share }) => sum + rgb[k] * share, 0) / Math.max(1e-9, all);
  return [mean(0), mean(1), mean(2)];
}

/** The colour of a layer against the white balance, channel by channel. */
function tintOf(
  { id }: LayerSource,
  setup: Setup,
  kit: Kit,
  solution: SolutionNumbers,
  { parts }: Strengths,
): { subject: Rgb; backdrop: Rgb } {
  const white = linearRgb(solution.colour.whiteBalance);
  const against = (colour: LightColour): Rgb => {
    const [r, g, b] = linearRgb(colour);
    return [r / white[0], g / white[1], b / white[2]];
  };
  const [, own = ''] = id.split(':');
  const itsOwn = ownColour(own, setup, kit);
  if (itsOwn !== null) {
    const rgb = against(itsOwn);
    return { subject: rgb, backdrop: rgb };
  }
  const ambientAt = (role: 'face' | 'background'): LightColour | null => {
    const point = setup.points.find((one) => one.role === role);
    return setup.colour.ambient.find(({ pointId }) => pointId === point?.id) ?? null;
  };
  const onFace = ambientAt('face') ?? ambientAt('background') ?? solution.colour.whiteBalance;
  const sent = parts.get(id);
  const panel = setup.panels.find((one) => one.id === own);
  if (sent !== undefined && panel !== undefined) {
    // foil warms whatever it throws back
    const warmer = ({ kelvin, greenCc }: LightColour): Rgb =>
      against({ kelvin: shiftedKelvin(kelvin, tintMiredOf(panel)), greenCc });
    const byOthers = [...sent.by].map(([one, share]) => ({ rgb: warmer(ownColour(one, setup, kit) ?? onFace), share }));
    const rgb = mixed([{ rgb: warmer(onFace), share: sent.ambient }, ...byOthers]);
    return { subject: rgb, backdrop: rgb };
  }
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
    const shown = shownOf(showing, layer, strengths, setup);
    if (shown === 0) return;
    const strength = (strengths.at.get(layer.id) ?? [0, 0, 0]).map((one) => one * shown);
    const { subject, backdrop } = tintOf(layer, setup, kit, solution, strengths);
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
