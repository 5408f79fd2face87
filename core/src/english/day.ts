import type { Caution } from '../advice';
import type { SpotFact, SpotLight, WeatherNow } from '../documents';
import type { ColourStep, Drift, Following, FollowingDial, FollowingStep, ForetoldSetup } from '../forecast';
import type { StayingPower } from '../lights';
import { formatStops } from '../notation';
import type { ChargeOfLight, PlannedSetup, ShadeEdge, SunInFrame } from '../plan';
import type { WordsContext } from '../words';
import { roundCount, sayStops, seconds, sentence, stopsOf } from './count';
import { lightInText, lightNamed, lightNamedInText, PANELS } from './gear';

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
export function foretoldSetup({ settings, lights, cameraMissingStops, sdStops, visit }: ForetoldSetup): string {
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
  const read = visit === null ? '' : `; an earlier visit moved it by ${formatStops(visit.movedStops)}`;
  return `Assumed, ± ${stopsOf(sdStops)}: ${set}${powers === '' ? '' : `, flash ${powers}`}; ${reach}${read}`;
}

/** What a setup takes out of a light's battery. */
export function charge(one: ChargeOfLight, context: WordsContext): string | null {
  const { lightId, left, changes, framesLeft, slowS, hotAfter } = one;
  const said = [
    ...(changes > 0
      ? [`empty after ${framesLeft ?? 0} frames, ${changes === 1 ? 'one change' : `${changes} changes`} of battery`]
      : left === null
        ? []
        : [`${percent(left)} left after it`]),
    ...(slowS === null ? [] : [`ready again after ${seconds(slowS)}, slower than planned`]),
    ...(hotAfter === null ? [] : [`must cool after ${hotAfter} frames in a row`]),
  ];
  return said.length === 0 ? null : `${lightNamed(lightId, context)}: ${said.join('; ')}`;
}

/** Whole degrees Celsius with a true minus: `−8 °C`. */
const celsius = (degrees: number): string => `${degrees < -0.5 ? '−' : ''}${Math.abs(degrees).toFixed(0)} °C`;

/** The weather at a moment: `Cloud 40 %, gusts 7 m/s, 3 °C, rain 0.4 mm an hour`. */
export function weather({ cloud, gustMps, rainMmH, temperatureC }: WeatherNow): string {
  const rain = rainMmH > 0 ? `, rain ${rainMmH.toFixed(1)} mm an hour` : ', dry';
  return `Cloud ${percent(cloud)}, gusts ${gustMps.toFixed(0)} m/s, ${celsius(temperatureC)}${rain}`;
}

/** The colour of the light ahead, and what to set for it. */
export function colourStep(
  { kelvin, sdMired, assumed, whiteBalanceK, gels }: ColourStep,
  context: WordsContext,
): string {
  const off = sdMired < 1 ? '' : ` ± ${sdMired.toFixed(0)} mired`;
  const put = gels.map(({ lightId, gelNames }) => {
    const light = context.setup.lights.find(({ id }) => id === lightId);
    const on = light === undefined ? 'the flash' : lightInText(light);
    return gelNames.length === 0 ? `no gel on ${on}` : `${gelNames.join(' and ')} on ${on}`;
  });
  const set = [`white balance ${roundKelvin(whiteBalanceK)}`, ...put].join(', ');
  return `${assumed ? 'Assumed: light' : 'Light'} ${roundKelvin(kelvin)}${off}; ${set}`;
}

const roundKelvin = (kelvin: number): string => `${Math.round(kelvin / 50) * 50} K`;

/** Gusts with who says so. */
const gustsOf = ({ gustMps, foretold }: { gustMps: number; foretold: boolean }): string =>
  `${foretold ? 'foretold gusts' : 'gusts'} of ${gustMps.toFixed(0)} m/s`;

/** A panel of the setup by its kind. */
function panelNamed(id: string, { setup }: WordsContext): string {
  const panel = setup.panels.find((one) => one.id === id);
  return panel === undefined ? PANELS.reflector.name : PANELS[panel.kind].name;
}

const smallerInstead = ({ smaller }: Extract<Caution, { kind: 'ballast' | 'too-heavy' }>): string =>
  smaller === null ? '' : ` ${smaller.name} would stand with ${Math.ceil(smaller.kg)} kg.`;

/** A caution about the safety of people and gear. */
export function caution(one: Caution, context: WordsContext): string {
  switch (one.kind) {
    case 'stand-too-short':
      return (
        `${lightNamed(one.lightId, context)}: ${one.standName} ends at ${one.highestM.toFixed(1)} m, ` +
        `${one.heightM.toFixed(1)} m are asked for.`
      );
    case 'stand-unnamed':
      return `${lightNamed(one.lightId, context)}: name its stand to know the ballast for ${gustsOf(one)}.`;
    case 'ballast':
      return (
        `${lightNamed(one.lightId, context)}: at least ${Math.ceil(one.kg)} kg over the tallest leg for ` +
        `${gustsOf(one)}. An estimate: watch the stand.${smallerInstead(one)}`
      );
    case 'too-heavy':
      return (
        `${lightNamed(one.lightId, context)}: ${gustsOf(one)} would ask for ${Math.ceil(one.kg)} kg. ` +
        `Hold it by hand low down, or take the modifier off.${smallerInstead(one)}`
      );
    case 'panel-ballast':
      return (
        `${panelNamed(one.panelId, context)}: at least ${Math.ceil(one.kg)} kg on its stand for ${gustsOf(one)}. ` +
        'Better somebody holds it.'
      );
    case 'panel-too-heavy':
      return (
        `${panelNamed(one.panelId, context)}: ${gustsOf(one)} would ask for ${Math.ceil(one.kg)} kg. ` +
        'Off the stand: somebody holds it low, or it lies flat.'
      );
    case 'boom':
      return (
        `${lightNamed(one.lightId, context)}: the boom reaches out ${one.boomM.toFixed(1)} m. Counterweight on its ` +
        'other end, over the tallest leg; tether the head; nobody stands under it.'
      );
    case 'wheels':
      return `${lightNamed(one.lightId, context)}: no wheels on a slope or soft ground. Take a stand without, or lock and wedge them.`;
    case 'rain':
      return (
        `Rain is foretold (${one.rainMmH.toFixed(1)} mm an hour): no mains outdoors, covers over heads and packs, ` +
        'cables off the ground.'
      );
    case 'cold-batteries':
      return (
        `At ${celsius(one.temperatureC)} batteries give about ${Math.round(one.share * 100)} % of their charge: ` +
        'spares warm at the body.'
      );
    case 'sail':
      return 'Outdoors this modifier is a sail: weight on the tallest leg, or a hand on the stand; take it down when it gusts.';
    case 'near-eyes':
      return 'Close to the eyes: ask for closed eyes until the frame. Never near the eyes of infants or drivers.';
    case 'sun-thrown':
      return (
        'The reflector throws the sun at the eyes: eyes closed, count in aloud, open on three, one frame, and rest. ' +
        'Never at people who drive, nor at infants.'
      );
    case 'hot-gels':
      return 'Gels and cloth off hot modelling lamps.';
    case 'always':
      return 'Warn guests before flashing. Keep mains out of the wet. Local codes and venue rules come first.';
  }
}

/** Recycle, charge and pace. */
export function staying(
  { slowestRecycleS: slowest, firstOut, plan, cheaperByStops, limit }: StayingPower,
  context: WordsContext,
): string {
  const parts = [
    slowest === null ? null : slowest < 0.05 ? 'ready at once' : `ready again after ${seconds(slowest)}`,
    firstOut === null
      ? null
      : `${roundCount(firstOut.pops)} frames in a charge, ${lightNamedInText(firstOut.lightId, context)} runs out first`,
  ].filter((part) => part !== null);
  const known =
    parts.length === 0 ? 'Recycling and charge are not known: say them in the kit.' : `${sentence(parts.join('; '))}.`;
  if (plan === null) return known;
  const planned = `${plan.frames} frames at ${plan.framesPerMinute} a minute`;
  return cheaperByStops === 0
    ? `${known} ${planned}: it lasts.`
    : `${known} For ${planned} it needs ${stopsOf(cheaperByStops)} less power${limit === 'heat' ? ', or it gets too hot' : ''}.`;
}
