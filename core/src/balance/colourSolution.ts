import {
  castSwatch,
  FLASH_COLOUR,
  gelled,
  gelLossStops,
  kelvinOf,
  type LightColour,
  miredOf,
  miredOffNeutral,
  NAMED_SOURCES,
  sayCast,
  shiftedKelvin,
  stackFor,
} from '../colour';
import { type Kit, offered } from '../gear';
import type { LightSolution, UsableLight } from '../lights';
import { formatStopCount } from '../notation';
import { LIGHT_ROLE_FACTS, type Setup } from '../setup';
import { lightName } from '../words';
import type { PointSolution } from './point';

/** A source as the picture shows it. */
export interface SourceCast extends LightColour {
  id: string;
  name: string;
  miredOff: number;
  words: string;
  /** what a grey card in it looks like, `#rrggbb` */
  swatch: string;
}

/** The gels that bring one light to the wanted relation. */
export interface GelAdvice {
  lightId: string;
  name: string;
  gelIds: string[];
  gelNames: string;
  kelvin: number;
  /** light lost against what is on it now, stops; the power pays for it */
  costStops: number;
  /** what no gel at hand makes up, mired */
  missMired: number;
}

export interface ColourSolution {
  /** set here, else suggested */
  whiteBalance: LightColour & { text: string; because: string };
  sources: SourceCast[];
  advice: GelAdvice[];
  warnings: string[];
}

/** The warm gel of the cool-sky move, mired; about a half. */
const COOL_SKY_MIRED = 109;
/** Two colours on one face are seen from here on, when both give at least this share of its light. */
const MIXED_MIRED = 50;
const MIXED_SHARE = 0.15;

const kelvinText = ({ kelvin, greenCc }: LightColour): string =>
  `${Math.round(kelvin / 50) * 50} K${Math.abs(greenCc) < 1 ? '' : `, ${greenCc > 0 ? 'magenta' : 'green'} ${Math.abs(Math.round(greenCc))}`}`;

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
              name: lightName(light),
              gelIds,
              gelNames: stack.map(({ name }) => name).join(' + ') || 'no gel',
              kelvin: result.kelvin,
              costStops: gelLossStops(stack) - gelLossStops(config.gels),
              missMired,
            },
          ];
        });
  const key = onPeople.find(({ light }) => light.role === 'key') ?? onPeople[0];
  const keyColour = key === undefined ? null : gelled(FLASH_COLOUR, key.config.gels);
  const [white, because]: [LightColour, string] =
    whiteBalance !== null
      ? [whiteBalance, 'as set']
      : (relation === 'match' || relation === 'warmer') && reference !== null
        ? [reference, 'to the ambient, so that it is neutral']
        : keyColour !== null
          ? [
              keyColour,
              relation === 'coolSky'
                ? 'to the gelled flash: all that is not gelled turns bluer'
                : 'to the flash on people',
            ]
          : reference !== null
            ? [reference, 'to the ambient']
            : [NAMED_SOURCES.daylight, 'daylight, until a colour is known'];
  const cast = (id: string, name: string, source: LightColour): SourceCast => ({
    id,
    name,
    kelvin: source.kelvin,
    greenCc: source.greenCc,
    miredOff: miredOffNeutral(source, white),
    words: sayCast(source, white),
    swatch: castSwatch(source, white),
  });
  const nameOf = (pointId: string) => points.find((point) => point.pointId === pointId)?.name ?? 'Point';
  const sources = [
    ...ambient
      .filter(({ pointId }) => points.some((point) => point.pointId === pointId))
      .map(({ pointId, kelvin, greenCc }) =>
        cast(`ambient:${pointId}`, `Ambient, ${nameOf(pointId).toLowerCase()}`, { kelvin, greenCc }),
      ),
    ...setup.lamps.flatMap(({ id, lampId, kelvin }) => {
      const lamp = kit.lamps.find((one) => one.id === lampId);
      return lamp === undefined ? [] : [cast(id, lamp.name, { kelvin, greenCc: 0 })];
    }),
    ...usable.map(({ light, config }) => cast(light.id, lightName(light), gelled(FLASH_COLOUR, config.gels))),
  ];
  return {
    whiteBalance: { ...white, text: kelvinText(white), because },
    sources,
    advice,
    warnings: mixedOn(face, sources, lights),
  };
}

/** Two plainly different colours that both light the face. */
function mixedOn(
  face: PointSolution | undefined,
  sources: readonly SourceCast[],
  lights: readonly LightSolution[],
): string[] {
  if (face?.totalStops == null || face.ambientStops === null) return [];
  const ambient = sources.find(({ id }) => id === `ambient:${face.pointId}`);
  const parts = [
    ...(ambient === undefined ? [] : [{ source: ambient, share: 2 ** (face.ambientStops - face.totalStops) }]),
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
  if (warmest === undefined || coolest === undefined) return [];
  const apart = warmest.source.miredOff - coolest.source.miredOff;
  return apart < MIXED_MIRED
    ? []
    : [
        `Mixed colour on the face: ${warmest.source.name.toLowerCase()} is ${Math.round(apart)} mired warmer than ${coolest.source.name.toLowerCase()}, and both give over ${Math.round(MIXED_SHARE * 100)} % of its light. Gel the flash to match, or let one of them lead.`,
      ];
}

/** What gels cost in words. */
export const sayGelCost = (costStops: number): string =>
  Math.abs(costStops) < 0.05
    ? 'costs no light'
    : costStops > 0
      ? `takes ${formatStopCount(costStops)} stops, the power goes up by it`
      : `gives ${formatStopCount(costStops)} stops back`;
