import type {
  DialControl,
  DialSource,
  DialStep,
  EqualLook,
  Ripple,
  RippleFollow,
  RippleMove,
  WhyChain,
  WhyTerm,
} from '../explain';
import {
  formatAperture,
  formatDistance,
  formatIso,
  formatShare,
  formatShutter,
  formatStopCount,
  formatStops,
} from '../notation';
import { incrementOf, lightOf, type RippleWords, unitOf, type WhyWords, type WordsContext } from '../words';
import { cameraReason, MISSING } from './camera';
import { DIRECTION, sayStops, sentence, stopsOf } from './count';
import { lightName, lightNamedInText, pointInText, pointNamed } from './gear';

type PlainTerm = Exclude<
  WhyTerm['kind'],
  'ambient-at' | 'missing' | 'out-of-reach' | 'aperture' | 'shutter' | 'iso' | 'filters' | 'place-of'
>;

const TERMS: Record<PlainTerm, string> = {
  'hold-back': 'hold the ambient back',
  'final-place': 'final place of the face',
  feel: 'feel',
  'background-place': 'tone and place of the background',
  'highlight-headroom': 'tone and headroom of the highlight',
  'dial-rounding': "rounding to the dials' steps",
  level: 'level that becomes mid grey, EV',
  'ambient-there': 'ambient there, EV at ISO 100',
  'flash-adds': 'what the flash adds',
  tone: 'the tone itself against mid grey',
  'flash-against-final': 'flash alone against the final exposure',
  'light-beside-others': 'this light alone against mid grey, beside the others',
  'guide-number': 'guide number of the unit',
  distance: 'distance',
  modifier: 'modifier',
  accessories: 'grid, gels, zoom, outlet',
  'high-speed-sync': 'high-speed sync',
  aside: 'turned away, beam, flags, reflectors',
  reading: 'your reading against the guide number',
  learned: 'what readings have taught',
  'unit-rounding': "rounding to the unit's step",
  'flash-on-face': 'flash alone on the face',
  'ambient-on-face': 'ambient on the face',
};

/** One step of a reason. */
function term(one: WhyTerm, context: WordsContext): string {
  switch (one.kind) {
    case 'ambient-at':
      return `ambient at ${one.pointId === null ? 'the point' : pointInText(one.pointId, context)}, EV at ISO 100`;
    case 'missing':
      return `missing: ${one.what === null ? '' : MISSING[one.what]}`;
    case 'out-of-reach':
      return `out of reach: ${DIRECTION[one.direction]}`;
    case 'aperture':
      return `aperture ${one.text}`;
    case 'shutter':
      return `shutter ${one.text}`;
    case 'iso':
    case 'filters':
      return one.text;
    case 'place-of':
      return `place of ${pointInText(one.pointId, context)} with this light`;
    default:
      return TERMS[one.kind];
  }
}

export function why({ subject, lines, totalStops }: WhyChain, context: WordsContext): WhyWords {
  const { title, total } = whySubject(subject, totalStops, context);
  return {
    title,
    lines: lines.map(({ term: one, stops }) => ({ label: term(one, context), stops })),
    totalStops,
    totalText: total,
  };
}

function whySubject(
  subject: WhyChain['subject'],
  total: number,
  context: WordsContext,
): { title: string; total: string } {
  const increment = incrementOf(context);
  switch (subject.kind) {
    case 'level':
      return { title: 'The level that becomes mid grey', total: `EV ${total.toFixed(1)}` };
    case 'shutter':
      return {
        title: `Shutter ${subject.text}`,
        total: `Tv ${total.toFixed(1)}, ${formatShutter(total, increment)}`,
      };
    case 'aperture':
      return {
        title: `Aperture ${subject.text}`,
        total: `Av ${total.toFixed(1)}, ${formatAperture(total, increment)}`,
      };
    case 'iso':
      return { title: subject.text, total: `Sv ${formatStops(total)} over ISO 100, ${formatIso(total)}` };
    case 'point':
      return {
        title: `${pointNamed(subject.pointId, context)} at ${formatStops(subject.placedStops)}`,
        total: Math.abs(total) < 0.05 ? 'on mid grey' : `${sayStops(total)} than mid grey`,
      };
    case 'power':
      return {
        title: `Power ${subject.powerText ?? ''}`,
        total: Math.abs(total) < 0.005 ? 'full power' : `${stopsOf(total)} under full`,
      };
    case 'share':
      return {
        title: `Flash share ${formatShare(subject.share)}`,
        total: `flash ${formatStops(total)} against ambient`,
      };
    case 'meter':
      return { title: `Meter ${subject.meterText ?? ''}`, total: `Av ${total.toFixed(1)}` };
  }
}

const CONTROLS: Record<DialControl['kind'], string> = {
  shutter: 'Shutter',
  aperture: 'Aperture',
  iso: 'ISO',
  nd: 'ND',
  dimmer: 'Dimmer',
  power: 'Power',
  distance: 'Distance',
  gel: 'Gel',
};

export const dialControl = (control: DialControl): string =>
  'letter' in control && control.letter !== null
    ? `${CONTROLS[control.kind]} ${control.letter}`
    : CONTROLS[control.kind];

/** A step towards less light. */
export function dialStep(step: DialStep, context: WordsContext): string {
  switch (step.kind) {
    case 'faster':
    case 'smaller':
    case 'lower':
    case 'down':
      return `${step.sizeText} ${step.kind}`;
    case 'farther':
      return `${formatDistance(step.distanceM, unitOf(context))}, farther`;
    case 'put-on':
      return `${step.name} on`;
    case 'one-stop-on':
      return '1 stop on';
    case 'none-owned':
      return 'none owned';
  }
}

export function dialSource(source: DialSource, context: WordsContext): string {
  if (!('unitName' in source)) return source.kind === 'daylight' ? 'Daylight' : 'Lamps, LED';
  const light = lightOf(context, source.id);
  return source.unitName ?? (light === undefined ? 'Light' : lightName(light));
}

const DIAL_NAMES = { shutter: 'Shutter', aperture: 'Aperture', iso: 'ISO' } as const;

function rippleMove(move: RippleMove, context: WordsContext): RippleWords['moves'][number] {
  switch (move.kind) {
    case 'tone':
      return {
        what: pointNamed(move.pointId, context),
        from: formatStops(move.fromStops),
        to: formatStops(move.toStops),
        words: sayStops(move.toStops - move.fromStops),
      };
    case 'filters':
      return { what: 'Filter', from: move.fromNames ?? 'none', to: move.toNames ?? 'none', words: null };
    case 'share':
      return { what: 'Flash share', from: formatShare(move.from), to: formatShare(move.to), words: null };
    default:
      return { what: DIAL_NAMES[move.kind], from: move.fromText, to: move.toText, words: null };
  }
}

function rippleFollow(follow: RippleFollow, context: WordsContext): string {
  const name = (lightId: string | null) => (lightId === null ? 'the flash' : lightNamedInText(lightId, context));
  switch (follow.kind) {
    case 'camera-cannot':
      return cameraReason(follow.camera);
    case 'no-flash-can-help':
      return 'No flash can help then: the ambient reaches the wanted place of the face.';
    case 'out-of-reach':
      return `${sentence(name(follow.lightId))} is then ${stopsOf(follow.byStops)} ${DIRECTION[follow.direction]}.`;
    case 'set-power': {
      const change = follow.changeStops === null ? '' : `, ${sayStops(follow.changeStops)} than now`;
      return `Set ${name(follow.lightId)} to ${follow.powerText}${change}.`;
    }
  }
}

/** What follows from a change before it is made. Lights that a change brings are named by the setup after it. */
export const ripple = ({ moves, follow, stalePointIds }: Ripple, context: WordsContext): RippleWords => ({
  moves: moves.map((move) => rippleMove(move, context)),
  follow: follow.map((one) => rippleFollow(one, context)),
  stale: stalePointIds.map(
    (id) =>
      `The flash reading at ${pointInText(id, context, 'a point')} was taken with the light as it stood: read it again.`,
  ),
});

/** Another way to the same light, with power, softness, evenness and background before and after. */
export function equalLook(
  { how, power, softness, spread, background }: EqualLook,
  context: WordsContext,
): { title: string; lines: string[] } {
  const size = (deg: number) => (deg < 1 ? 'a point' : `${Math.round(deg)}°`);
  return {
    title:
      how.kind === 'closer'
        ? 'Half a step closer'
        : `${how.name}, ${how.kind === 'modifier' ? 'as soft' : 'the same light'}`,
    lines: [
      `Power ${power.fromText ?? 'none'} → ${power.toText}, at ${formatDistance(power.distanceM, unitOf(context))}`,
      `Softness ${size(softness.fromDeg)} → ${size(softness.toDeg)}`,
      ...(spread === null
        ? []
        : [`Across the group ${formatStopCount(spread.fromStops)} → ${stopsOf(spread.toStops)}`]),
      ...(background === null
        ? []
        : [
            `Background ${formatStops(background.fromStops)} → ${formatStops(background.toStops)}, ` +
              `${sayStops(background.toStops - background.fromStops)}`,
          ]),
    ],
  };
}
