import type { z } from 'zod';

import type { Change } from '../documents';
import type { Camera, Kit } from '../gear';
import { formatAperture, formatDistance, formatIso, formatShare, formatShutter, formatStops } from '../notation';
import { shareFromHoldBack } from '../photometry';
import {
  type LightField,
  type LightRole,
  type Motive,
  lightSetting,
  type Motion,
  type OpenSide,
  type Panel,
  type PlainPath,
  pointSchema,
  type SettingPath,
  type Setup,
  type Subject,
  type Sun,
} from '../setup';
import { incrementOf, type StandOf, type WordsContext } from '../words';
import { MOTIONS } from './camera';
import { plural, stopsBothWays, stopsOf } from './count';
import { LIGHT_ROLES, lightName, panelName, powerTextOf } from './gear';
import { lookAs } from './look';
import { pointSaid } from './metering';
import { OPEN_SIDES, subject, sun, MOTIVES } from './stage';

const LABELS: Record<PlainPath, string> = {
  title: 'Name',
  spotId: 'Spot',
  note: 'Notes',
  frames: 'Frames',
  plan: 'Place in the plan',
  listed: 'Place in the list',
  takenOver: 'As in the setup before',
  points: 'Points',
  confirmed: 'Answered',
  'meter.meterId': 'Meter',
  'meter.av': 'Meter aperture',
  'meter.tv': 'Meter shutter',
  'meter.sv': 'Meter ISO',
  'meter.read': 'Meter shows',
  look: 'Look',
  'look.holdBackStops': 'Hold-back',
  'look.exposeBy': 'Exposed for',
  'look.backgroundStops': 'Background in the picture',
  'look.headroomStops': 'Headroom of the highlight',
  'look.highlightPointId': 'Highlight',
  'look.faceStops': 'Final place of the face',
  'look.feelStops': 'Feel',
  'look.faceBy': 'Face set by',
  'look.faceContrastStops': 'Contrast on the face, at most',
  camera: 'Camera and its settings',
  'camera.cameraId': 'Camera',
  'camera.lensId': 'Lens',
  'camera.focalMm': 'Focal length',
  'camera.support': 'Camera held',
  'camera.motion': 'People move',
  'camera.depth': 'Depth of the people',
  'camera.keepOrder': 'Kept first',
  'camera.wantedTv': 'Liked shutter',
  'camera.pins.av': 'Aperture pinned',
  'camera.pins.tv': 'Shutter pinned',
  'camera.pins.sv': 'ISO pinned',
  'camera.syncDelayMs': 'Sync delay',
  'camera.secondCameraId': 'Second camera',
  'camera.video': 'Video',
  'camera.wantedAv': 'Wanted aperture',
  'camera.filterIds': 'Filters',
  'camera.highSpeedSync': 'High-speed sync',
  'camera.limits.syncTv': 'Sync',
  'camera.limits.slowestTv': 'Slowest sharp shutter',
  'camera.limits.baseSv': 'Lowest ISO',
  'camera.limits.highestSv': 'Highest ISO',
  'camera.stands': 'Camera set to',
  'look.targets': 'Targets',
  lights: 'Lights',
  lamps: 'Lamps',
  panels: 'Panels and openings',
  stage: 'Stage',
  'stage.subject': 'Subject',
  'stage.subject.turnDeg': 'Face turned',
  'stage.subject.othersTurnDeg': 'Others turned inward',
  'stage.subject.spectaclesTiltDeg': 'Spectacles tipped down',
  'stage.cameraM': 'Camera to the subject',
  'stage.cameraUpM': 'Camera over the eyes',
  'stage.upright': 'Frame upright',
  'stage.background': 'Background is',
  'stage.ground': 'Ground is',
  'stage.sun': 'Sun',
  'stage.openSide': 'Ambient from',
  meterOrder: 'Lights metered',
  tests: 'Several lights tested',
  reserveStops: 'Power kept free',
  backgroundM: 'Distance to the background',
  backdrop: 'Backdrop',
  people: 'The group',
  pace: 'Planned pace',
  gustMps: 'Gusts',
  colour: 'Colours',
  'colour.ambient': 'Colour of the ambient',
  'colour.relation': 'Colour of the flash',
  'colour.warmerMired': 'Warmer than the ambient by',
  'colour.whiteBalance': 'White balance',
  variants: 'Variants',
  variantOf: 'Made from',
};

const LIGHT_LABELS: Record<LightField, string> = {
  role: 'role',
  standsFor: 'stands for',
  unitId: 'unit',
  outlet: 'outlet',
  zoomMm: 'zoom',
  modifierId: 'modifier',
  gridId: 'grid',
  gelIds: 'gels',
  standId: 'stand',
  aimPointId: 'aims at',
  distanceM: 'distance',
  placeSaid: 'distance said',
  sideDeg: 'side',
  heightM: 'height',
  featherDeg: 'feathered',
  group: 'radio group',
  channel: 'channel',
  dialledStops: 'set to',
  locked: 'locked',
};

/** What a setting is called in the log; a light by its role and letter. */
function labelOf(path: SettingPath, { lights }: Setup): string {
  const its = lightSetting(path);
  if (its === null) return LABELS[path as PlainPath];
  const light = lights[its.index];
  return `${light === undefined ? 'Light' : lightName(light)}, ${LIGHT_LABELS[its.field]}`;
}

const nameOf = (things: readonly { id: string; name: string }[], id: unknown): string =>
  things.find((thing) => thing.id === id)?.name ?? 'no longer in the kit';

const pointName = ({ points }: Setup, id: unknown): string =>
  points.find((point) => point.id === id)?.name ?? 'a point that is gone';

type Value = z.infer<ReturnType<typeof z.json>>;

/** How a value is said; null is said by `NOTHING`. */
interface SayContext {
  standOf: StandOf;
  setup: Setup;
  kit: Kit;
  increment: Camera['increment'];
}
type Say = (value: NonNullable<Value>, context: SayContext) => string;

const asNumber =
  (say: (value: number, context: SayContext) => string): Say =>
  (value, context) =>
    typeof value === 'number' ? say(value, context) : '';
const asList =
  (say: (list: Value[], context: SayContext) => string): Say =>
  (value, context) =>
    Array.isArray(value) ? say(value, context) : '';
const isRecord = (value: Value): value is { [key: string]: Value } =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const namesOf = (list: Value[]) =>
  list.flatMap((one) => (isRecord(one) && typeof one['name'] === 'string' ? [one['name']] : [])).join(', ') || 'none';
const inKit =
  (pick: (kit: Kit) => readonly { id: string; name: string }[]): Say =>
  (value, { kit }) =>
    nameOf(pick(kit), value);
const signed: Say = asNumber((value) => stopsBothWays(value));
const shutter: Say = asNumber((tv, { increment }) => formatShutter(tv, increment));
const aperture: Say = asNumber((av, { increment }) => formatAperture(av, increment));
const iso: Say = asNumber(formatIso);
const stops: Say = asNumber((value) => stopsOf(value));
const metres: Say = asNumber((distanceM, { kit }) => formatDistance(distanceM, kit.preferences.distanceUnit));
const side: Say = asNumber((value) => `${Math.abs(Math.round(value))}° ${value < 0 ? 'left' : 'right'}`);
const degrees: Say = asNumber((value) => `${Math.round(value)}°`);
const field = (value: Value, key: string): number =>
  isRecord(value) && typeof value[key] === 'number' ? value[key] : 0;

const SAY: Partial<Record<PlainPath, Say>> = {
  points: asList((list) =>
    list
      .flatMap((one) => pointSchema.safeParse(one).data ?? [])
      .map(pointSaid)
      .join(', '),
  ),
  spotId: () => 'another of the shoot',
  variants: asList(namesOf),
  variantOf: (value, { setup }) => setup.variants.find(({ id }) => id === value)?.name ?? 'a variant',
  confirmed: asList(({ length }) => `${length} ${plural(length, 'question', 'questions')}`),
  lights: asList(
    (list, { kit }) =>
      list
        .map((light) =>
          isRecord(light)
            ? `${LIGHT_ROLES[light['role'] as LightRole].name.toLowerCase()} ${nameOf(kit.flashUnits, light['unitId'])}`
            : '',
        )
        .join(', ') || 'none',
  ),
  look: () => 'that of a variant',
  camera: () => 'that of a variant',
  'meter.av': aperture,
  'meter.tv': shutter,
  'meter.sv': iso,
  'look.holdBackStops': asNumber((value, { kit }) => {
    const { lookWay } = kit.preferences;
    const other =
      lookWay === 'share' ? lookAs(value, 'underTotal') : `flash share ${formatShare(shareFromHoldBack(value))}`;
    return `${lookAs(value, lookWay)}, ${other}`;
  }),
  'look.faceBy': (value) => (value === 'light' ? 'dome to the light' : 'dome to the camera'),
  'look.faceContrastStops': stops,
  'look.headroomStops': stops,
  'look.backgroundStops': signed,
  'look.faceStops': signed,
  'look.feelStops': signed,
  'look.highlightPointId': (value, { setup }) => pointName(setup, value),
  'camera.cameraId': inKit(({ cameras }) => cameras),
  'camera.secondCameraId': inKit(({ cameras }) => cameras),
  'camera.lensId': inKit(({ lenses }) => lenses),
  'camera.focalMm': asNumber((mm) => `${Math.round(mm)} mm`),
  'camera.syncDelayMs': asNumber((ms) => `${ms.toFixed(1)} ms`),
  'camera.support': (value) => (value === 'tripod' ? 'on a tripod' : 'in the hand'),
  'camera.motion': (value) => MOTIONS[value as Motion].words,
  'camera.depth': (value, { kit }) =>
    `${formatDistance(field(value, 'nearestM'), kit.preferences.distanceUnit)} to ` +
    `${formatDistance(field(value, 'farthestM'), kit.preferences.distanceUnit)}`,
  'camera.keepOrder': asList((order) => order.filter((dial) => typeof dial === 'string').join(', then ')),
  'camera.video': (value) =>
    `${field(value, 'framesPerSecond')} frames a second at ${Math.round(field(value, 'angleDeg'))}°`,
  'camera.wantedAv': aperture,
  'camera.wantedTv': shutter,
  'camera.pins.av': aperture,
  'camera.pins.tv': shutter,
  'camera.pins.sv': iso,
  'camera.limits.syncTv': shutter,
  'camera.limits.slowestTv': shutter,
  'camera.limits.baseSv': iso,
  'camera.limits.highestSv': iso,
  'camera.filterIds': asList((ids, { kit }) =>
    ids.length === 0 ? 'none' : ids.map((id) => nameOf(kit.filters, id)).join(' + '),
  ),
  'camera.stands': (value, { increment }) =>
    `${formatShutter(field(value, 'tv'), increment)}, ${formatAperture(field(value, 'av'), increment)}, ` +
    formatIso(field(value, 'sv')),
  frames: (value) =>
    isRecord(value) && typeof value['from'] === 'string' && typeof value['to'] === 'string'
      ? `${value['from']} to ${value['to']}`
      : '',
  'look.targets': asList(
    (targets, { setup }) =>
      targets
        .map(
          (target) =>
            `${pointName(setup, isRecord(target) ? target['pointId'] : null)} ${formatStops(field(target, 'stops'))}`,
        )
        .join(', ') || 'as usual',
  ),
  lamps: asList(
    (list, { kit }) => list.map((one) => (isRecord(one) ? nameOf(kit.lamps, one['lampId']) : '')).join(', ') || 'none',
  ),
  panels: asList(
    (list) => list.map((one) => (isRecord(one) ? panelName(one as unknown as Panel) : '')).join(', ') || 'none',
  ),
  stage: () => 'another stage',
  'stage.subject': (value) => subject(value as unknown as Subject),
  'stage.subject.turnDeg': side,
  'stage.subject.othersTurnDeg': degrees,
  'stage.subject.spectaclesTiltDeg': degrees,
  'stage.cameraM': metres,
  'stage.cameraUpM': metres,
  'stage.sun': (value, { standOf }) => {
    const stand = standOf(value as unknown as Sun);
    return stand === null ? 'none' : sun(stand);
  },
  'stage.openSide': (value) => OPEN_SIDES[value as OpenSide] ?? '',
  meterOrder: (value) => (value === 'role' ? 'background, fill, key' : 'as listed'),
  tests: (value) => (value === 'each' ? 'each alone' : 'all on'),
  reserveStops: stops,
  gustMps: asNumber((mps) => `${mps.toFixed(0)} m/s`),
  backgroundM: metres,
  backdrop: (value, { kit }) =>
    `${formatDistance(field(value, 'widthM'), kit.preferences.distanceUnit)} wide, ` +
    `${formatDistance(field(value, 'tallM'), kit.preferences.distanceUnit)} high`,
  people: (value, { kit }) =>
    `${formatDistance(field(value, 'leftM') + field(value, 'rightM'), kit.preferences.distanceUnit)} ` +
    'wide, ' +
    `${formatDistance(field(value, 'nearerM') + field(value, 'fartherM'), kit.preferences.distanceUnit)} ` +
    `deep, within ${stopsOf(field(value, 'withinStops'))}`,
  pace: (value) => `${field(value, 'frames')} frames, ${field(value, 'framesPerMinute')} a minute`,
  plan: (value) => `${field(value, 'shootMin')} min of shooting`,
  colour: () => 'colours',
  'colour.ambient': asList(
    (list, { setup }) =>
      list
        .map(
          (one) => `${pointName(setup, isRecord(one) ? one['pointId'] : null)} ${Math.round(field(one, 'kelvin'))} K`,
        )
        .join(', ') || 'none',
  ),
  'colour.relation': (value) =>
    ({ asIs: 'gels as chosen', match: 'like the ambient', warmer: 'warmer than the ambient', coolSky: 'cool sky' })[
      value as string
    ] ?? '',
  'colour.warmerMired': asNumber((mired) => `${Math.round(mired)} mired`),
  'colour.whiteBalance': (value) => `${Math.round(field(value, 'kelvin'))} K`,
};

/** How a light's setting is said. */
const SAY_LIGHT: Partial<
  Record<LightField, (value: NonNullable<Value>, context: SayContext & { unitId: string }) => string>
> = {
  role: (value) => LIGHT_ROLES[value as LightRole].name.toLowerCase(),
  standsFor: (value) => MOTIVES[value as Motive],
  unitId: inKit(({ flashUnits }) => flashUnits),
  modifierId: inKit(({ modifiers }) => modifiers),
  gridId: inKit(({ grids }) => grids),
  standId: inKit(({ stands }) => stands),
  gelIds: asList((ids, { kit }) => (ids.length === 0 ? 'none' : ids.map((id) => nameOf(kit.gels, id)).join(' + '))),
  aimPointId: (value, { setup }) => pointName(setup, value),
  distanceM: metres,
  heightM: metres,
  sideDeg: side,
  featherDeg: side,
  zoomMm: asNumber((mm) => `${Math.round(mm)} mm`),
  outlet: asNumber((outlet) => `outlet ${outlet + 1}`),
  channel: asNumber(String),
  dialledStops: (value, { kit, unitId }) => (typeof value === 'number' ? powerTextOf(kit, unitId, value) : ''),
};
const NO_LIGHT_VALUE: Partial<Record<LightField, string>> = {
  modifierId: 'bare head',
  zoomMm: 'as stated',
  outlet: 'all of it',
};

/** What no value means. */
function sayNothing(path: SettingPath): string {
  const light = lightSetting(path);
  if (light !== null) return NO_LIGHT_VALUE[light.field] ?? 'none';
  if (path.startsWith('camera.limits')) return 'as in the kit';
  if (path.startsWith('camera.pins')) return 'free';
  return (
    {
      'camera.depth': 'aperture as typed',
      'camera.wantedTv': 'sync',
      'camera.video': 'stills',
      'camera.focalMm': 'the longest of the lens',
      'look.highlightPointId': 'the brightest',
      people: 'one person',
      pace: 'not said',
      gustMps: 'none',
      backgroundM: 'not said',
      backdrop: 'as far as is seen',
      'colour.whiteBalance': 'as suggested',
    }[path as string] ?? 'none'
  );
}

function sayValue(path: SettingPath, value: Value, context: SayContext): string {
  if (value === null) return sayNothing(path);
  const light = lightSetting(path);
  const say = light === null ? SAY[path as PlainPath] : SAY_LIGHT[light.field];
  const unitId = context.setup.lights[light?.index ?? 0]?.unitId ?? '';
  if (say !== undefined) return say(value, { ...context, unitId });
  return typeof value === 'boolean' ? (value ? 'on' : 'off') : typeof value === 'string' ? value : '';
}

/** A change in words for the log: `Hold-back: 1.0 stops, flash share 50 %, was 0.7 stops, flash share 37 %`. */
export function describeChange(
  { settings }: Pick<Change, 'settings'>,
  { setup, kit }: WordsContext,
  standOf: StandOf,
): string {
  const context: SayContext = { setup, kit, standOf, increment: incrementOf({ setup, kit }) };
  const said = (path: SettingPath, value: Value) => sayValue(path, value, context);
  return settings
    .map(({ path, from, to }) => `${labelOf(path, setup)}: ${said(path, to)}, was ${said(path, from)}`)
    .join('. ');
}
