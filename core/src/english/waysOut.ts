import type { NotHelping, Way, WayOut, WayPrice } from '../advice';
import { formatDistance, formatShare, formatStopCount, formatStops } from '../notation';
import { shareFromHoldBack } from '../photometry';
import { type PriceWords, unitOf, type WordsContext } from '../words';
import { MOTIONS } from './camera';
import { DIRECTION, sayStops, seconds, stopsOf } from './count';
import { lookAs } from './look';

const DIALS = { aperture: 'aperture', shutter: 'shutter', iso: 'ISO' } as const;

/** What to do, and what it does to the picture, before the price. */
// eslint-disable-next-line complexity, max-lines-per-function -- an exhaustive list of what can be said
export function way(one: Way, context: WordsContext): { title: string; effect: string } {
  switch (one.kind) {
    case 'unpin':
      return { title: `Let the ${DIALS[one.dial]} follow`, effect: `${one.pinnedText} is pinned by hand` };
    case 'hold-back':
      return {
        title: `Hold the ambient back ${stopsOf(one.stops)} instead`,
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
        title: `Leave the highlight ${stopsOf(one.stops)} of headroom`,
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
        effect: `Highlights clip ${stopsOf(one.clipsEarlierStops)} earlier`,
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
        effect: `Keeps the aperture; costs this flash ${stopsOf(one.lossStops)}, so it does not gain on the sun`,
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
        effect: `Lets ${stopsOf(one.byStops)} ${one.stronger ? 'more' : 'less'} light through; its softness changes too`,
      };
    case 'unit':
      return {
        title: `Change to ${one.name}`,
        effect: `A ${one.stronger ? 'stronger' : 'weaker'} unit, with its own scale`,
      };
    case 'neutral-on-head':
      return { title: `${one.names.join(' and ')} on the flash`, effect: 'Less light, the same colour' };
    case 'nd-for-flash':
      return {
        title: `${one.names.join(' and ')} on the lens`,
        effect: 'Takes flash and ambient alike; a slower shutter gives the ambient back',
      };
    case 'gels-off':
      return { title: 'Take the gel off', effect: 'The flash is as cool as its tube again' };
    case 'grid-off':
      return { title: 'Take the grid off', effect: 'A wider beam, more spill' };
    case 'leave-high-speed-sync':
      return { title: 'Leave high-speed sync', effect: 'The shutter stays at sync' };
    default:
      return byHand(one.kind, stopsOf(one.needStops));
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
        effect: `Needs ${need} less light on the face; then meter again.`,
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

/** A way out: what to do, what it does, and its price. */
export function wayOut(
  one: Pick<WayOut, 'way' | 'helpsStops' | 'ofStops' | 'price'>,
  context: WordsContext,
): { title: string; effect: string; price: PriceWords } {
  const { title, effect } = way(one.way, context);
  const { price, ofStops, helpsStops } = one;
  return {
    title,
    effect: ofStops === null ? effect : `Helps ${formatStopCount(helpsStops)} of ${stopsOf(ofStops)}. ${effect}`,
    price: {
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
