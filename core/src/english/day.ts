import type { SpotFact, SpotLight } from '../documents';
import type { CalendarFault, PlaceFault, PlacesFault } from '../exchange';
import type { Drift, Following, FollowingDial, FollowingStep, ForetoldSetup } from '../forecast';
import type { PlannedSetup, ShadeEdge, SunInFrame } from '../plan';
import type { WordsContext } from '../words';
import { sayStops, stopsOf } from './count';
import { lightInText } from './gear';

const ENDERS: Record<FollowingDial, string> = {
  shutter: 'the shutter is at its limit',
  iso: 'the ISO is at its limit',
  power: 'the flash is at the end of its scale',
  dimmer: 'the lamps are dimmed as far as they go',
};
/** Ends of dials as one sentence: `the shutter is at its limit and the flash is at the end of its scale`. */
const all = (parts: readonly string[]): string =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1) ?? ''}`;

const percent = (share: number): string => `${Math.round(Math.abs(share) * 100)} %`;

/** What is to be set at a moment: `Shutter 1/100`, `ISO 800; key 1/32`. */
export function followingStep({ shutterText, isoText, powers, dimmerStops }: FollowingStep, context: WordsContext) {
  const parts = [
    ...(shutterText === null ? [] : [`shutter ${shutterText}`]),
    ...(isoText === null ? [] : [isoText]),
    ...powers.map(({ lightId, powerText }) => {
      const light = context.setup.lights.find(({ id }) => id === lightId);
      return `${light === undefined ? 'flash' : lightInText(light)} ${powerText}`;
    }),
    ...(dimmerStops === null ? [] : [`lamps ${sayStops(dimmerStops)} than now`]),
  ];
  return parts.join(', ').replace(/^./, (letter) => letter.toUpperCase());
}

/** Why no setting holds the picture any more. */
export function followingEnd({ endedBy }: Pick<Following, 'endedBy'>): string {
  if (endedBy.length === 0) return 'then no setting holds face and background together';
  return `then ${all(endedBy.map((dial) => ENDERS[dial]))}`;
}

/** Which bound is left first, and how far it has gone: `The background is 0.4 stop darker then`. */
export function drift({ first, by }: Drift): string {
  if (first === 'share') return `Flash makes up ${percent(by)} ${by > 0 ? 'more' : 'less'} of the face then`;
  return `The ${first} is ${sayStops(by)} then`;
}

/** What brings the picture back without a hand on the flash. */
export function driftCure({ shutterStops }: Drift): string {
  if (shutterStops === null || shutterStops === 0) return 'The shutter alone does not bring it back.';
  return `${stopsOf(shutterStops, 'third')} ${shutterStops > 0 ? 'slower' : 'faster'} brings it back; the flash stays.`;
}

/** What a spot is like, and the short caution that goes with it. */
export const SPOT_FACTS: Record<SpotFact, { name: string; because: string }> = {
  road: {
    name: 'Road',
    because: 'Stay off the carriageway, no flash towards drivers, one person watches the traffic.',
  },
  'public-way': {
    name: 'Public way',
    because: 'Keep the way free; stands and cables where nobody trips. Ask what the venue allows.',
  },
  water: { name: 'Water edge', because: 'Nobody steps back to the edge; mains and packs stay away from the water.' },
  slope: { name: 'Slope', because: 'No wheels: tallest leg downhill, bags on it, a hand on the stand.' },
  'soft-ground': {
    name: 'Soft ground',
    because: 'Boards under the legs, no wheels; look at the stands again after a while.',
  },
  wet: {
    name: 'Wet',
    because: 'No mains in rain. Elsewhere a residual-current device, packs off the ground; local codes hold.',
  },
  mains: { name: 'Mains sockets', because: 'Ask which circuit and how many amperes; cables taped or along walls.' },
  insects: { name: 'Insects', because: 'Repellent, closed shoes; look for ticks afterwards.' },
  heat: { name: 'Heat', because: 'Shade and water for people, breaks; heads cool down between series.' },
  cold: { name: 'Cold', because: 'Spare batteries warm at the body; people warm between frames.' },
  'light-sensitive': {
    name: 'Light-sensitive person',
    because: 'Ask before flash fires, no series of pops, a lamp instead where it can be.',
  },
  infant: { name: 'Infant', because: 'No flash near the eyes: high, soft and far, or the light that is there.' },
  'unattended-stand': {
    name: 'Unattended stand',
    because: 'Weighted and tied, low, nothing over people; better somebody holds it.',
  },
};

/** What light there is at a spot. */
export const SPOT_LIGHTS: Record<SpotLight, string> = { open: 'Open sky', shade: 'Shade', indoors: 'Indoors' };

/** Why a text is no place, and what would be. */
export function placeFault(fault: PlaceFault): string {
  switch (fault.kind) {
    case 'not-coordinates':
      return 'No coordinates: latitude first, such as 46.93, 10.21 or 46° 55\' 48" N, 10° 12\' 36" E.';
    case 'latitude-outside':
      return `A latitude lies between −90° and 90°; this is ${fault.deg.toFixed(2)}°.`;
    case 'longitude-outside':
      return `A longitude lies between −180° and 180°; this is ${fault.deg.toFixed(2)}°.`;
  }
}

/** Why a file of places is not taken. */
export function placesFault(fault: PlacesFault): string {
  switch (fault.kind) {
    case 'too-large':
      return `This file is too large to be places: at most ${fault.mostKb / 1000} MB.`;
    case 'not-a-format':
      return 'This is neither GPX nor GeoJSON, nor a picture that says where it was made.';
    case 'damaged':
      return `This ${fault.format} file is damaged: it ends early or is not as the format has it. Nothing was changed.`;
    case 'no-places':
      return `There is no point in this ${fault.format} file.`;
    case 'outside':
      return `A point of this ${fault.format} file lies beyond the poles or the date line. Nothing was changed.`;
  }
}

/** Why a calendar file is not taken. */
export function calendarFault(fault: CalendarFault): string {
  switch (fault.kind) {
    case 'too-large':
      return `This calendar is too large: at most ${fault.mostKb / 1000} MB.`;
    case 'damaged':
      return 'This is no whole iCalendar file (.ics): it is damaged or something else. Nothing was changed.';
    case 'no-events':
      return 'There are no entries in this calendar.';
  }
}

/** How a setup stands to its window. */
export function planFit({ fit, outsideMin }: Pick<PlannedSetup, 'fit' | 'outsideMin'>): string | null {
  switch (fit) {
    case 'any-time':
      return null;
    case 'inside':
      return 'in its window';
    case 'partly':
      return `${outsideMin} min outside of its window`;
    case 'outside':
      return 'outside of its window';
    case 'none-that-day':
      return 'there is no such window that day';
    case 'not-known':
      return 'its window is not known before the spot has a place';
  }
}

/** What comes or goes at a shade's edge. */
export function shadeEdge({ of, comes, leaves }: Pick<ShadeEdge, 'of' | 'comes' | 'leaves'>): string {
  const whom = of === 'people' ? 'people' : 'the background';
  const said = comes ? `The sun reaches ${whom}` : `The sun leaves ${whom}`;
  return leaves ? `${said}, through leaves: not to be relied on` : said;
}

/** Where the sun stands against the frame, and what keeps it off the lens. */
export function sunInFrame({ against, asideDeg, turnDeg }: SunInFrame): string {
  const side = asideDeg < 0 ? 'left' : 'right';
  const where = {
    behind: `behind people, to the ${side}`,
    side: `from the ${side}`,
    front: 'from the front: eyes narrow',
    'in-frame': 'in the picture: never look at it through an optical finder',
  }[against];
  if (turnDeg === null) return `Sun ${where}.`;
  const turn = `turn ${Math.abs(turnDeg)}° to the ${turnDeg < 0 ? 'left' : 'right'}, or shade the lens from the ${side}`;
  return `Sun ${where}. It shines on the lens: ${turn}.`;
}

/** What a setup that nobody has metered would be set to, and whether the kit reaches. */
export function foretoldSetup({ settings, lights, cameraMissingStops, sdStops }: ForetoldSetup): string {
  const out = lights.flatMap(({ outOfRange }) => (outOfRange === null ? [] : [outOfRange]));
  const [first] = out;
  const reach =
    cameraMissingStops > 0
      ? `the camera lacks ${stopsOf(cameraMissingStops)}`
      : first === undefined
        ? 'the kit reaches'
        : `a light is ${stopsOf(first.byStops)} ${first.direction === 'too-weak' ? 'too weak' : 'too strong'}`;
  const powers = lights.flatMap(({ powerText }) => powerText ?? []).join(' · ');
  const set = settings === null ? 'no camera chosen' : `${settings.shutter} ${settings.aperture} ${settings.iso}`;
  return `Assumed, ± ${stopsOf(sdStops)}: ${set}${powers === '' ? '' : `, flash ${powers}`}; ${reach}`;
}
