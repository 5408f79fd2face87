import {
  type Cast,
  castOf,
  castSwatch,
  FLASH_COLOUR,
  gelled,
  gelLossStops,
  kelvinOf,
  type LightColour,
  miredOf,
  miredOffNeutral,
  NAMED_SOURCES,
  shiftedKelvin,
  stackFor,
  type Gel,
} from '../colour';
import { type Kit, offered } from '../gear';
import type { LightSolution, UsableLight } from '../lights';
import { type Light, LIGHT_ROLE_FACTS, type LightRole, type Setup } from '../setup';
import type { LampSolution } from './lamps';
import type { PointSolution } from './point';

/** What gives light of a colour: the ambient at a point, a lamp of the kit, or a light of the setup. */
export type CastSource =
  | { kind: 'ambient'; pointId: string }
  | { kind: 'lamp'; name: string }
  | { kind: 'light'; role: LightRole; group: Light['group'] };

/** A source as the picture shows it. */
export interface SourceCast extends LightColour {
  id: string;
  source: CastSource;
  miredOff: number;
  cast: Cast;
  /** what a grey card in it looks like, `#rrggbb` */
  swatch: string;
}

/** The gels that bring one light to the wanted relation. */
export interface GelAdvice {
  lightId: string;
  gelIds: string[];
  gelNames: string[];
  kelvin: number;
  /** light lost against what is on it now, stops; the power pays for it */
  costStops: number;
  /** what no gel at hand makes up, mired */
  missMired: number;
}

/** The colour that a lamp is turned to for the wanted relation, as near as it goes. */
export interface LampColourAdvice {
  /** as it is placed in the setup */
  lampId: string;
  kelvin: number;
  /** what the lamp does not make up, mired; gels do */
  missMired: number;
}

/** What the white balance is set by. */
export type WhiteBalanceReason =
  'set' | 'to-ambient-neutral' | 'to-gelled-flash' | 'to-flash' | 'to-lamp' | 'to-ambient' | 'daylight';

/** Two plainly different colours on one face. */
export interface MixedColour {
  warmer: CastSource;
  cooler: CastSource;
  apartMired: number;
  /** both give at least this share of the light */
  leastShare: number;
}

export interface ColourSolution {
  /** set here, else suggested */
  whiteBalance: LightColour & { because: WhiteBalanceReason };
  sources: SourceCast[];
  advice: GelAdvice[];
  lampAdvice: LampColourAdvice[];
  /** null where one colour leads */
  mixed: MixedColour | null;
  /** gels are used, and nobody has said what colour the ambient has */
  asksAmbient: boolean;
}

/** The warm gel of the cool-sky move, mired; about a half. */
const COOL_SKY_MIRED = 109;
/** Two colours on one face are seen from here on, when both give at least this share of its light. */
const MIXED_MIRED = 50;
const MIXED_SHARE = 0.15;

/** A lamp that stands so near to the wanted colour is left as it is, mired. */
const LAMP_MIRED = 5;

/** The colour of every lamp on people for the wanted relation. */
function lampColours({ lamps }: Setup, kit: Kit, wanted: LightColour | null): LampColourAdvice[] {
  if (wanted === null) return [];
  return lamps.flatMap((placed): LampColourAdvice[] => {
    const lamp = kit.lamps.find(({ id }) => id === placed.lampId);
    if (lamp === undefined || !placed.on || placed.role === null || !LIGHT_ROLE_FACTS[placed.role].onPeople) return [];
    const kelvin = Math.min(lamp.kelvinHigh, Math.max(lamp.kelvinLow, wanted.kelvin));
    if (Math.abs(miredOf(kelvin) - miredOf(placed.kelvin)) < LAMP_MIRED) return [];
    return [{ lampId: placed.id, kelvin, missMired: Math.abs(miredOf(wanted.kelvin) - miredOf(kelvin)) }];
  });
}

/** What the light is gelled towards: a colour for lights on people, or nothing to reach. */
function wantedColour({ colour }: Setup, reference: LightColour | null): LightColour | null {
  switch (colour.relation) {
    case 'match':
      return reference;
    case 'warmer':
      return reference === null
        ? null
        : { kelvin: shiftedKelvin(reference.kelvin, colour.warmerMired), greenCc: reference.greenCc };
    case 'coolSky':
      return { kelvin: kelvinOf(miredOf(FLASH_COLOUR.kelvin) + COOL_SKY_MIRED), greenCc: 0 };
    default:
      return null;
  }
}

/**
 * Colours of ambient and lights, the gels for the wanted relation, the white balance to set, and what every source then
 * looks like: `mired(source) − mired(white balance)`. The ambient on the face is the reference, else the first that is known.
 */
export function colourSolution(
  setup: Setup,
  kit: Kit,
  usable: readonly UsableLight[],
  lights: readonly LightSolution[],
  points: readonly PointSolution[],
  lamps: readonly LampSolution[],
): ColourSolution {
  const { ambient, relation, whiteBalance } = setup.colour;
  const face = points.find(({ role }) => role === 'face');
  const reference = ambient.find(({ pointId }) => pointId === face?.pointId) ?? ambient[0] ?? null;
  const wanted = wantedColour(setup, reference);
  const gels = offered(kit.gels);
  const onPeople = usable.filter(({ light }) => LIGHT_ROLE_FACTS[light.role].onPeople);
  const advice =
    wanted === null
      ? []
      : onPeople.flatMap(({ light, config }): GelAdvice[] => {
          const { stack, result, missMired } = stackFor(FLASH_COLOUR, wanted, gels);
          const gelIds = stack.map(({ id }) => id);
          if (gelIds.join() === light.gelIds.join()) return [];
          return [
            {
              lightId: light.id,
              gelIds,
              gelNames: stack.map(({ name }) => name),
              kelvin: result.kelvin,
              costStops: gelLossStops(stack) - gelLossStops(config.gels),
              missMired,
            },
          ];
        });
  const keyColour = faceColour(onPeople);
  const keyLamp = setup.lamps.find(({ role, on }) => role === 'key' && on);
  const [white, because]: [LightColour, WhiteBalanceReason] =
    whiteBalance !== null
      ? [whiteBalance, 'set']
      : (relation === 'match' || relation === 'warmer') && reference !== null
        ? [reference, 'to-ambient-neutral']
        : keyColour !== null
          ? [keyColour, relation === 'coolSky' ? 'to-gelled-flash' : 'to-flash']
          : keyLamp !== undefined
            ? [{ kelvin: keyLamp.kelvin, greenCc: 0 }, 'to-lamp']
            : reference !== null
              ? [reference, 'to-ambient']
              : [NAMED_SOURCES.daylight, 'daylight'];
  const cast = (id: string, source: CastSource, light: LightColour): SourceCast => ({
    id,
    source,
    kelvin: light.kelvin,
    greenCc: light.greenCc,
    miredOff: miredOffNeutral(light, white),
    cast: castOf(light, white),
    swatch: castSwatch(light, white),
  });
  const sources = [
    ...ambient
      .filter(({ pointId }) => points.some((point) => point.pointId === pointId))
      .map(({ pointId, kelvin, greenCc }) =>
        cast(`ambient:${pointId}`, { kind: 'ambient', pointId }, { kelvin, greenCc }),
      ),
    ...setup.lamps.flatMap(({ id, lampId, kelvin, on }) => {
      if (!on) return [];
      const lamp = kit.lamps.find((one) => one.id === lampId);
      return lamp === undefined ? [] : [cast(id, { kind: 'lamp', name: lamp.name }, { kelvin, greenCc: 0 })];
    }),
    ...usable.map(({ light: { id, role, group }, config }) =>
      cast(id, { kind: 'light', role, group }, gelled(FLASH_COLOUR, config.gels)),
    ),
  ];
  const onFace = lamps.filter(({ on, pointId }) => on && pointId === face?.pointId);
  return {
    whiteBalance: { ...white, because },
    sources,
    advice,
    lampAdvice: lampColours(setup, kit, wanted),
    mixed: meantMix(relation, mixedOn(face, sources, lights, onFace)),
    asksAmbient: reference === null && (relation !== 'asIs' || usable.some(isGelled)),
  };
}

/** The colour that white is for: what a face is lit by, the key, else another light on people, never a rim with its gel. */
function faceColour(onPeople: readonly UsableLight[]): LightColour | null {
  const onFaces = onPeople.filter(({ light }) => light.role !== 'rim');
  const key = onFaces.find(({ light }) => light.role === 'key') ?? onFaces[0];
  return key === undefined ? null : gelled(FLASH_COLOUR, key.config.gels);
}

const isTinted = ({ shiftMired, greenCc }: Gel): boolean => shiftMired !== 0 || greenCc !== 0;
const isGelled = ({ config }: UsableLight): boolean => config.gels.some(isTinted);

/** A cool sky beside a warm flash is what was wished for: no warning of it. */
const meantMix = (relation: Setup['colour']['relation'], mixed: MixedColour | null): MixedColour | null =>
  relation === 'coolSky' && mixed?.cooler.kind === 'ambient' ? null : mixed;

/** Two plainly different colours that both light the face. */
function mixedOn(
  face: PointSolution | undefined,
  sources: readonly SourceCast[],
  lights: readonly LightSolution[],
  lamps: readonly LampSolution[],
): MixedColour | null {
  if (face?.totalStops == null || face.ambientStops === null || face.ambientEv100 === null) return null;
  const ambient = sources.find(({ id }) => id === `ambient:${face.pointId}`);
  const ambientShare = 2 ** (face.ambientStops - face.totalStops);
  const { ambientEv100 } = face;
  const ofAmbient = lamps.map(({ id, ev100 }) => ({ id, share: ambientShare * 2 ** (ev100 - ambientEv100) }));
  const restShare = ofAmbient.reduce((rest, { share }) => rest - share, ambientShare);
  const parts = [
    ...(ambient === undefined ? [] : [{ source: ambient, share: restShare }]),
    ...ofAmbient.flatMap(({ id, share }) => {
      const source = sources.find((one) => one.id === id);
      return source === undefined ? [] : [{ source, share }];
    }),
    ...face.sources.flatMap(({ lightId, share }) => {
      const source = sources.find(({ id }) => id === lightId);
      return source === undefined || !lights.some((one) => one.lightId === lightId) ? [] : [{ source, share }];
    }),
  ].filter(({ share }) => share >= MIXED_SHARE);
  const warmest = parts.reduce<(typeof parts)[number] | undefined>(
    (best, one) => (best === undefined || one.source.miredOff > best.source.miredOff ? one : best),
    undefined,
  );
  const coolest = parts.reduce<(typeof parts)[number] | undefined>(
    (best, one) => (best === undefined || one.source.miredOff < best.source.miredOff ? one : best),
    undefined,
  );
  if (warmest === undefined || coolest === undefined) return null;
  const apartMired = warmest.source.miredOff - coolest.source.miredOff;
  return apartMired < MIXED_MIRED
    ? null
    : { warmer: warmest.source.source, cooler: coolest.source.source, apartMired, leastShare: MIXED_SHARE };
}
