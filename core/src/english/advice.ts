import type { ActionFacts, Caution, NotHelping, Way, WayOut, WayPrice } from '../advice';
import type { GroupLight, StayingPower } from '../lights';
import { formatDistance, formatShare, formatStopCount, formatStops } from '../notation';
import { shareFromHoldBack } from '../photometry';
import { pointOf, type PriceWords, unitOf, type WordsContext } from '../words';
import { cameraReason, MISSING, MOTIONS } from './camera';
import { DIRECTION, sayStops, seconds, sentence, stopsOf } from './count';
import { lightNamed, lightNamedInText, pointInText } from './gear';
import { lookAs } from './look';
import { FLASH_FAULTS, POINT_ROLES, question, stalenessSentence } from './metering';

const DIALS = { aperture: 'aperture', shutter: 'shutter', iso: 'ISO' } as const;

/** What to do, and what it does to the picture, before the price. */
// eslint-disable-next-line complexity, max-lines-per-function -- an exhaustive list of what can be said
export function way(one: Way, context: WordsContext): { title: string; effect: string } {
  switch (one.kind) {
    case 'unpin':
      return { title: `Let the ${DIALS[one.dial]} follow`, effect: `${one.pinnedText} is pinned by hand` };
    case 'hold-back':
      return {
        title: `Hold the ambient back ${formatStopCount(one.stops)} stops instead`,
        effect:
          `The ambient on the face sits ${one.darker ? 'darker' : 'brighter'}; flash share ` +
          `${formatShare(shareFromHoldBack(one.stops))}`,
      };
    case 'place-background':
      return {
        title: `Let the background land at ${formatStops(one.stops)}`,
        effect: `All of the ambient sits ${sayStops(one.byStops)}`,
      };
    case 'leave-headroom':
      return {
        title: `Leave the highlight ${formatStopCount(one.stops)} stops of headroom`,
        effect: `All of the ambient sits ${sayStops(one.byStops)}`,
      };
    case 'stop-down':
      return { title: `Stop down to ${one.apertureText}`, effect: 'More depth of field' };
    case 'open-up':
      return { title: `Open up to ${one.apertureText}`, effect: 'Less depth of field' };
    case 'stop-down-for-flash':
      return { title: `Stop down to ${one.apertureText}, shutter follows`, effect: 'More depth of field' };
    case 'wider-for-flash':
      return {
        title: `Open up to ${one.apertureText}, shutter follows`,
        effect: 'Less depth of field; the ambient stays where it is, up to sync',
      };
    case 'nd':
      return {
        title: `Put on ${one.names.join(' + ')}`,
        effect:
          'Keeps the ' +
          `aperture${one.polariser ? '; the polariser darkens blue sky, most at 90° from the sun, and takes reflections away' : ''}`,
      };
    case 'lower-iso':
      return { title: `Lower the ISO to ${one.isoText}`, effect: "The camera's own base ISO" };
    case 'higher-iso':
      return { title: `Raise the ISO to ${one.isoText}`, effect: 'More noise than you allowed' };
    case 'iso-for-flash':
      return {
        title: `Raise the ISO to ${one.isoText}, shutter follows`,
        effect: 'More noise; the ambient stays where it is, up to sync',
      };
    case 'extended-iso':
      return {
        title: `Extended ${one.isoText}`,
        effect: `Highlights clip ${formatStopCount(one.clipsEarlierStops)} stops earlier`,
      };
    case 'faster-shutter':
      return {
        title: `Faster shutter, up to sync ${one.shutterText}`,
        effect: 'Darkens the ambient alone; the flash stays',
      };
    case 'slower-shutter':
      return { title: `Slower shutter, ${one.shutterText}, on a tripod`, effect: 'People must hold still' };
    case 'high-speed-sync':
      return {
        title: `Faster shutter, ${one.shutterText}, in high-speed sync`,
        effect: `Keeps the aperture; costs this flash ${formatStopCount(one.lossStops)} stops, so it does not gain on the sun`,
      };
    case 'filters-off':
      return {
        title: `Take ${one.names ?? 'the filter'} off`,
        effect: one.forFlash ? 'Gives the flash its light back' : 'Keeps the aperture',
      };
    case 'tripod':
      return {
        title: 'Put the camera on a tripod',
        effect: `Only ${MOTIONS[one.motion].words} limit the shutter then`,
      };
    case 'expose-for-face':
      return {
        title: `Expose for the face, ambient ${formatStopCount(one.holdBackStops)} under`,
        effect: 'The background goes where it goes',
      };
    case 'closer':
      return {
        title: `Move the light in to ${formatDistance(one.distanceM, unitOf(context))}`,
        effect: 'Softer; falls off faster behind the face',
      };
    case 'farther':
      return {
        title: `Move the light out to ${formatDistance(one.distanceM, unitOf(context))}`,
        effect: 'Harder; falls off more slowly',
      };
    case 'modifier':
      return {
        title: `Change to ${one.name}`,
        effect: `${one.stronger ? 'Less' : 'More'} diffusion, another quality of light`,
      };
    case 'unit':
      return {
        title: `Change to ${one.name}`,
        effect: `A ${one.stronger ? 'stronger' : 'weaker'} unit, with its own scale`,
      };
    case 'gels-off':
      return { title: 'Take the gel off', effect: 'The flash is as cool as its tube again' };
    case 'grid-off':
      return { title: 'Take the grid off', effect: 'A wider beam, more spill' };
    case 'leave-high-speed-sync':
      return { title: 'Leave high-speed sync', effect: 'The shutter stays at sync' };
    default:
      return byHand(one.kind, `${formatStopCount(one.needStops)} stops`);
  }
}

/** Ways that hands must do, and a reading follows. */
function byHand(kind: Extract<Way, { needStops: number }>['kind'], need: string): { title: string; effect: string } {
  switch (kind) {
    case 'more-ambient':
      return {
        title: 'Move into more light',
        effect: `Needs ${need} more ambient on the face; then meter again.`,
      };
    case 'wait-darker':
      return { title: 'Wait for more light', effect: `Needs ${need} more; then meter again.` };
    case 'shade':
      return {
        title: 'Open shade',
        effect: `Needs ${need} less light on the face; then meter again. The flash needs no more for it.`,
      };
    case 'turn':
      return {
        title: 'Turn the face from the light',
        effect: `Needs ${need} less light on the face; then meter again. The background stays.`,
      };
    case 'diffuser':
      return {
        title: 'Diffuser or flag over the subject',
        effect:
          `A diffuser takes 1 to 2 stops off direct sun, a flag all of it; ${need} are needed. The background ` +
          'stays as it is. Then meter again.',
      };
    case 'wait':
      return { title: 'Wait for less light', effect: `Needs ${need} less; then meter again.` };
  }
}

const UNCHANGED = 'unchanged';

function depthWords(depth: WayPrice['depth'], context: WordsContext): string {
  if (depth === null) return UNCHANGED;
  const { apertureText, changeStops, sharp } = depth;
  const said = `${apertureText}, ${stopsOf(changeStops)} ${changeStops > 0 ? 'smaller: deeper' : 'wider: shallower'}`;
  if (sharp === null) return said;
  const far = sharp.farM === null ? 'to infinity' : `to ${formatDistance(sharp.farM, unitOf(context))}`;
  return `${said}, sharp from ${formatDistance(sharp.nearM, unitOf(context))} ${far}`;
}

function flashWords(flash: WayPrice['flash']): string {
  if (!('changeStops' in flash)) return flash.kind === 'none-chosen' ? 'no flash chosen' : 'no flash can help there';
  const where =
    flash.kind === 'power' ? flash.powerText : `out of reach, ${stopsOf(flash.byStops)} ${DIRECTION[flash.direction]}`;
  const { changeStops } = flash;
  if (changeStops === null) return where;
  return Math.abs(changeStops) < 0.05
    ? `${where}, ${UNCHANGED}`
    : `${where} (needs ${stopsOf(changeStops)} ${changeStops > 0 ? 'more' : 'less'})`;
}

const noiseWords = (noise: WayPrice['noise']): string =>
  noise === null
    ? UNCHANGED
    : `${noise.isoText}, ${stopsOf(noise.changeStops)} ${noise.changeStops > 0 ? 'noisier' : 'cleaner'}`;

function lookWords(look: WayPrice['look'], { kit }: WordsContext): string {
  if (look === null) return UNCHANGED;
  const then = look.holdBackStops === null ? '' : `, ${lookAs(look.holdBackStops, kit.preferences.lookWay)}`;
  return `ambient ${sayStops(look.changeStops)} than wanted${then}`;
}

const recycleWords = ({ s, beforeS }: NonNullable<WayPrice['recycle']>): string =>
  beforeS === null ? seconds(s) : `${seconds(s)} (now ${seconds(beforeS)})`;

/** A way out: what to do, what it does, and its price (null where nothing can be foretold). */
export function wayOut(
  one: Pick<WayOut, 'way' | 'helpsStops' | 'ofStops' | 'price'>,
  context: WordsContext,
): { title: string; effect: string; price: PriceWords | null } {
  const { title, effect } = way(one.way, context);
  const { price, ofStops, helpsStops } = one;
  return {
    title,
    effect: ofStops === null ? effect : `Helps ${formatStopCount(helpsStops)} of ${stopsOf(ofStops)}. ${effect}`,
    price:
      price === null
        ? null
        : {
            depthOfField: depthWords(price.depth, context),
            flash: flashWords(price.flash),
            recycle: price.recycle === null ? null : recycleWords(price.recycle),
            noise: noiseWords(price.noise),
            look: lookWords(price.look, context),
          },
  };
}

/** What people reach for and what does not help here. */
export function notHelping(one: NotHelping, context: WordsContext): { title: string; why: string } {
  if (one.way.kind === 'high-speed-sync') {
    const lacks =
      one.flashTooWeakStops === null ? '' : ` The flash would be ${stopsOf(one.flashTooWeakStops)} too weak.`;
    return { title: 'High-speed sync against the sun', why: `${way(one.way, context).effect}.${lacks}` };
  }
  const short =
    one.thenShortStops === null
      ? `still ${stopsOf(one.shortStops)} short`
      : `${stopsOf(one.shortStops)} short become ${formatStopCount(one.thenShortStops)}`;
  return {
    title: one.way.kind === 'wider-for-flash' ? 'A wider aperture for more flash' : 'A higher ISO for more flash',
    why: `Ambient and flash rise together, and the shutter, at ${one.shutterText ?? 'its limit'}, cannot follow: ${short}.`,
  };
}

type Said = { text: string; detail: string };
type Of<K extends ActionFacts['kind']> = Extract<ActionFacts, { kind: K }>;

/** The one thing to do now, in the unit's own words. */
// eslint-disable-next-line complexity -- an exhaustive list of what can be said
export function nextAction(action: ActionFacts, context: WordsContext): Said {
  const firstWay = (first: Way | null, otherwise: string): string =>
    first === null ? otherwise : `First way out: ${way(first, context).title}.`;
  switch (action.kind) {
    case 'meter-face':
      return { text: 'Meter the face', detail: POINT_ROLES.face.advice };
    case 'meter-background':
      return { text: 'Meter the background', detail: POINT_ROLES.background.advice };
    case 'meter-again':
      return {
        text: `Meter the ${pointInText(action.pointId, context)} again`,
        detail: stalenessSentence(action.because),
      };
    case 'meter-highlight': {
      const role = pointOf(context, action.pointId)?.role ?? 'own';
      return { text: `Meter the ${pointInText(action.pointId, context)}`, detail: POINT_ROLES[role].advice };
    }
    case 'choose-camera':
      return { text: 'Choose the camera', detail: 'Its limits decide which settings are possible.' };
    case 'choose-flash':
      return { text: 'Choose the flash', detail: 'Unit, modifier and distance give the power.' };
    case 'no-flash-can-help':
      return {
        text: 'No flash can help here',
        detail:
          `The ambient on the face lies ${formatStopCount(action.overStops)} stops over its place. ` +
          `${firstWay(action.first, 'Close down, or take light off the face.')}`,
      };
    case 'camera-cannot': {
      const { camera, first } = action;
      const missing = camera.missing === null ? '' : MISSING[camera.missing];
      return {
        text: `${formatStopCount(camera.missingStops)} stops ${missing}`,
        detail: firstWay(first, cameraReason(camera)),
      };
    }
    case 'film': {
      const { shutter, aperture, iso } = action.dials;
      return { text: `Film: ${shutter}, ${aperture}, ${iso}`, detail: 'Continuous light only; no flash.' };
    }
    case 'power-out-of-range':
      return {
        text:
          `${action.lightId === null ? 'Flash' : lightNamed(action.lightId, context)} ` +
          `${formatStopCount(action.byStops)} stops ${DIRECTION[action.direction]}`,
        detail: firstWay(action.first, `At ${action.limitText} it is at its limit.`),
      };
    case 'no-flash-measured':
      return {
        text: `Read ${action.lightId === null ? 'the flash' : lightNamedInText(action.lightId, context)} again`,
        detail: FLASH_FAULTS[action.problem.kind],
      };
    case 'answer':
      return { text: 'Is that flash reading right?', detail: question(action.question, context).text };
    case 'set-and-test':
    case 'fire-test':
      return testWords(action, context);
    case 'fire-all':
      return {
        text: `Fire all ${action.count} together`,
        detail: `Dome at the ${pointInText(action.pointId, context)}: the meter should read ${action.meterText}.`,
      };
    case 'correct':
      return correctWords(action, context);
    case 'shoot':
      return shootWords(action, context);
  }
}

function testWords({ kind, test }: Of<'set-and-test' | 'fire-test'>, context: WordsContext): Said {
  if (test.lightId === null) {
    const range = test.rangeTexts === null ? '' : `${test.rangeTexts[0]} to ${test.rangeTexts[1]}`;
    const detail = `Meter should read ${test.totalText}; ${test.learned ? 'as learned' : 'untested'} ${range}.`;
    return { text: kind === 'fire-test' ? 'Fire a test and meter it' : `Flash to ${test.powerText}`, detail };
  }
  const name = lightNamed(test.lightId, context);
  const reads =
    `Dome at the ${pointInText(test.aimPointId, context)}. Meter should read ${test.flashText} flash ` +
    `only, ${test.totalText} total.`;
  return {
    text: kind === 'fire-test' ? `Fire ${name} alone` : `${name} to ${test.powerText}`,
    detail: `Turn off ${test.off.join(' and ')}. ${reads}`,
  };
}

function correctWords({ change }: Of<'correct'>, context: WordsContext): Said {
  const way = `${change.stops < 0 ? 'down' : 'up'} ${formatStopCount(change.stops)}: ${change.powerText}`;
  const said = sentence(sayStops(change.stops));
  return change.lightId === null
    ? { text: `Flash ${way}`, detail: `${said} on the face from flash. Meter should read ${change.meterText}.` }
    : {
        text: `${lightNamed(change.lightId, context)} ${way}`,
        detail: `${said} from this light; its share at the ${pointInText(change.aimPointId, context)} is ${formatShare(change.share)}.`,
      };
}

function shootWords({ dials: { shutter, aperture, iso }, flash }: Of<'shoot'>, { setup }: WordsContext): Said {
  const text = `Shoot: ${shutter}, ${aperture}, ${iso}`;
  if (!Array.isArray(flash))
    return { text, detail: `Flash at ${flash.powerText}. Meter should read ${flash.meterText}.` };
  const letterOf = (id: string) => setup.lights.find((light) => light.id === id)?.group ?? '';
  return { text, detail: `${flash.map(({ lightId, powerText }) => `${letterOf(lightId)} ${powerText}`).join(', ')}.` };
}

/** A caution about the safety of people and gear. */
export function caution(one: Caution, context: WordsContext): string {
  switch (one.kind) {
    case 'stand-too-short':
      return (
        `${lightNamed(one.lightId, context)}: ${one.standName} ends at ${one.highestM.toFixed(1)} m, ` +
        `${one.heightM.toFixed(1)} m are asked for.`
      );
    case 'stand-unnamed':
      return `${lightNamed(one.lightId, context)}: name its stand to know the ballast for gusts of ${one.gustMps.toFixed(0)} m/s.`;
    case 'ballast':
      return (
        `${lightNamed(one.lightId, context)}: at least ${Math.ceil(one.kg)} kg over the tallest leg for gusts ` +
        `of ${one.gustMps.toFixed(0)} m/s. An estimate: watch the stand.`
      );
    case 'too-heavy':
      return (
        `${lightNamed(one.lightId, context)}: gusts of ${one.gustMps.toFixed(0)} m/s would ask for ` +
        `${Math.ceil(one.kg)} kg. Hold it by hand low down, or take the modifier off.`
      );
    case 'sail':
      return 'Outdoors this modifier is a sail: weight on the tallest leg, or a hand on the stand; take it down when it gusts.';
    case 'near-eyes':
      return 'Close to the eyes: ask for closed eyes until the frame. Never near the eyes of infants or drivers.';
    case 'hot-gels':
      return 'Gels and cloth off hot modelling lamps.';
    case 'always':
      return 'Warn guests before flashing. Keep mains out of the wet. Local codes and venue rules come first.';
  }
}

/** Recycle, charge and pace. */
export function staying(
  { slowestRecycleS: slowest, firstOut, plan, cheaperByStops }: StayingPower,
  context: WordsContext,
): string {
  const parts = [
    slowest === null ? null : slowest < 0.05 ? 'ready at once' : `ready again after ${seconds(slowest)}`,
    firstOut === null
      ? null
      : `${firstOut.pops} frames in a charge, ${lightNamedInText(firstOut.lightId, context)} runs out first`,
  ].filter((part) => part !== null);
  const known =
    parts.length === 0 ? 'Recycling and charge are not known: say them in the kit.' : `${sentence(parts.join('; '))}.`;
  if (plan === null) return known;
  const planned = `${plan.frames} frames at ${plan.framesPerMinute} a minute`;
  return cheaperByStops === 0
    ? `${known} ${planned}: it lasts.`
    : `${known} For ${planned} it needs ${formatStopCount(cheaperByStops)} stops less power.`;
}

/** How even the key is on a group. */
export const spread = ({
  spreadStops,
  withinStops,
  even,
}: Pick<GroupLight, 'spreadStops' | 'withinStops' | 'even'>): string =>
  `${formatStopCount(spreadStops)} stops between brightest and darkest; ${even ? 'within' : 'over'} the ` +
  `${formatStopCount(withinStops)} wanted.`;
