import type { CastSource, WhiteBalanceReason } from '../balance';
import type { Cast, LightColour, NamedSource } from '../colour';
import { writePower } from '../flash';
import type { Kit } from '../gear';
import type { PersonPlace } from '../lights';
import type { ToneId } from '../photometry';
import type { Caster } from '../picture';
import type { Light, LightRole, Panel, PanelKind } from '../setup';
import type { Companion } from '../stage';
import { lightOf, pointOf, type WordsContext } from '../words';
import { stopsOf } from './count';

/** Roles of lights under our own names, each with why it stands where it is put. */
export const LIGHT_ROLES: Record<LightRole, { name: string; because: string }> = {
  key: {
    name: 'Key',
    because: '40° from the nose line and a hand over the eyes: the nose shadow points down and to the side.',
  },
  fill: {
    name: 'Fill',
    because: 'On the camera axis, so that it draws no second nose shadow; 1½ stops under the face.',
  },
  rim: {
    name: 'Rim',
    because: 'Behind the far side, past 110° from the camera: it rims hair and shoulder and stays off the nose.',
  },
  background: {
    name: 'Background',
    because: 'On the background alone, turned from the people: it moves nothing on them.',
  },
  motivated: {
    name: 'Motivated',
    because: 'Where the lamp or the low sun would be, far and small: hard, and even across the scene.',
  },
};

/** Panels and openings under our own names, each with why it stands where it is put. */
export const PANELS: Record<PanelKind, { name: string; because: string }> = {
  reflector: { name: 'Reflector', because: 'Low and close on the dark side: it opens the shadow.' },
  diffuser: {
    name: 'Diffuser',
    because: 'Between the sun and the face: weaker and softer; the background stays as it was.',
  },
  flag: { name: 'Flag', because: 'Keeps the sun or a light off the face.' },
  window: { name: 'Window', because: 'Light from the side; nearer is stronger and softer.' },
  door: { name: 'Door', because: 'An open door in front: deeper inside it is weaker and flatter.' },
  porch: { name: 'Porch', because: 'Open shade under a roof: at its mouth more light from above and more shape.' },
  skylight: { name: 'Skylight', because: 'One window high up: eye sockets go dark under it.' },
};

/** A light by its role and radio letter, as it is called on screens: `Key A`. */
export const lightName = ({ role, group }: Pick<Light, 'role' | 'group'>): string =>
  `${LIGHT_ROLES[role].name} ${group}`;

/** The same in the middle of a sentence: `key A`. */
export const lightInText = ({ role, group }: Pick<Light, 'role' | 'group'>): string =>
  `${LIGHT_ROLES[role].name.toLowerCase()} ${group}`;

export const lightNamed = (id: string | null, context: WordsContext): string => {
  const light = lightOf(context, id);
  if (light !== undefined) return lightName(light);
  return context.setup.lamps.some((lamp) => lamp.id === id) ? lampNamed(id ?? '', context) : 'Light';
};
export const lightNamedInText = (id: string | null, context: WordsContext): string => {
  const light = lightOf(context, id);
  return light === undefined ? 'the light' : lightInText(light);
};

/** A point as it was named; in the middle of a sentence in small letters. */
export const pointNamed = (id: string | null, context: WordsContext): string => pointOf(context, id)?.name ?? 'Point';
export const pointInText = (id: string | null, context: WordsContext, gone = 'point'): string =>
  pointOf(context, id)?.name.toLowerCase() ?? gone;

/** A panel as it is called on screens: `Reflector, silver`. */
export const panelName = ({ kind, surface }: Pick<Panel, 'kind' | 'surface'>): string =>
  kind === 'reflector' ? `Reflector, ${surface}` : PANELS[kind].name;

/** A power in the scale of a unit of the kit; in plain stops when the unit has left the kit. */
export function powerTextOf(kit: Kit, unitId: string, powerStops: number): string {
  const unit = kit.flashUnits.find((one) => one.id === unitId);
  return unit === undefined ? `${stopsOf(powerStops)} under full` : writePower(unit.scale, powerStops);
}

/** What stands in front of a head: modifier, grid and gels. */
export const front = ({ modifierName, added }: { modifierName: string | null; added: readonly string[] }): string =>
  [modifierName ?? 'Bare head', ...added].join(', ');

export const TONE_NAMES: Record<ToneId | 'own', string> = {
  'white-cloth': 'White cloth',
  snow: 'Snow',
  'pale-skin': 'Pale skin',
  'medium-skin': 'Medium skin',
  'grey-card': 'Grey card',
  'as-it-reads': 'As it reads',
  grass: 'Grass',
  'deep-skin': 'Deep skin',
  'dark-cloth': 'Dark cloth',
  own: 'Own tone',
};

export const SOURCE_NAMES: Record<NamedSource, string> = {
  daylight: 'Daylight',
  lowSun: 'Low sun',
  cloud: 'Cloud',
  shade: 'Open shade',
  leaves: 'Under leaves',
  dusk: 'Blue dusk',
  tungsten: 'Tungsten',
  warmLed: 'Warm LED',
  tubes: 'Fluorescent',
  candle: 'Candles',
};

/** Who stands beside the person in focus. */
export function companionName({ row, number }: Companion): string {
  if (row === 'second') return 'Second';
  return `${{ row: 'Row', back: 'Back', front: 'Front' }[row]} ${number}`;
}

/** Where someone of a group stands. */
export const PERSON_PLACES: Record<PersonPlace, string> = {
  'front-left': 'front left',
  'front-right': 'front right',
  'back-left': 'back left',
  'back-right': 'back right',
  middle: 'middle',
};

/** What casts a layer of the picture. */
export function casterName(caster: Caster): string {
  switch (caster.kind) {
    case 'sky':
      return 'Sky';
    case 'room':
      return 'Room';
    case 'sun':
      return 'Sun';
    case 'panel':
      return panelName({ kind: caster.panel, surface: caster.surface });
    case 'lamp':
      return caster.name;
    case 'light':
      return lightName(caster);
  }
}

/** A colour of light: `5600 K`, `4200 K, green 22`; what the number counts is what must be taken away. */
export const kelvinText = ({ kelvin, greenCc }: LightColour): string =>
  `${Math.round(kelvin / 50) * 50} ` +
  `K${Math.abs(greenCc) < 1 ? '' : `, ${greenCc > 0 ? 'magenta' : 'green'} ${Math.abs(Math.round(greenCc))}`}`;

export const WHITE_BALANCE_REASONS: Record<WhiteBalanceReason, string> = {
  set: 'as set',
  'to-ambient-neutral': 'to the ambient, so that it is neutral',
  'to-gelled-flash': 'to the gelled flash: all that is not gelled turns bluer',
  'to-flash': 'to the flash on people',
  'to-lamp': 'to the key lamp',
  'to-ambient': 'to the ambient',
  daylight: 'daylight, until a colour is known',
};

/** How a source looks in a picture: `plainly warm`, `a little green`. */
export function castWords({ warmth, tint }: Cast): string {
  const said = [warmth, tint].flatMap((part) =>
    part === null ? [] : [`${part.plain ? 'plainly' : 'a little'} ${part.side}`],
  );
  return said.join(', ') || 'neutral';
}

/** A source of colour by name. */
export function castSourceName(source: CastSource, context: WordsContext): string {
  switch (source.kind) {
    case 'ambient':
      return `Ambient, ${pointNamed(source.pointId, context).toLowerCase()}`;
    case 'lamp':
      return source.name;
    case 'light':
      return lightName(source);
  }
}

/** What gels cost. */
export function gelCost(costStops: number): string {
  if (Math.abs(costStops) < 0.05) return 'costs no light';
  return costStops > 0 ? `takes ${stopsOf(costStops)}, the power goes up by it` : `gives ${stopsOf(costStops)} back`;
}

/** A lamp by what it does, `Key lamp`; by its name too where another does the same. */
export function lampNamed(placedId: string, { setup, kit }: WordsContext): string {
  const placed = setup.lamps.find(({ id }) => id === placedId);
  const name = kit.lamps.find(({ id }) => id === placed?.lampId)?.name ?? '';
  if (placed?.role == null) return name;
  const alike = setup.lamps.filter(({ role }) => role === placed.role).length > 1;
  return `${LIGHT_ROLES[placed.role].name} ${alike ? name : 'lamp'}`;
}
