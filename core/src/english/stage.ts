import type { SunStand } from '../gain';
import type { LampSolution, LampWish, LightRatios } from '../balance';
import { percentOf } from '../gear';
import type { GroupCure } from '../lights';
import { formatDistance, formatShare, formatStopCount, formatStops } from '../notation';
import type { Motive, OpenSide, Subject } from '../setup';
import {
  type BackdropFill,
  isMotiveWatch,
  type MotiveWatch,
  type Placement,
  type PlacementId,
  type StageMove,
  type StageWatch,
  type TurnedSet,
} from '../stage';
import { unitOf, type WordsContext } from '../words';
import { DIRECTION, sentence, stopsOf } from './count';
import { lightNamed, panelName, pointInText } from './gear';

/** Where the sun stands. */
export function sun({ sideDeg, altitudeDeg }: SunStand): string {
  if (altitudeDeg <= 0) return `Sun ${Math.abs(altitudeDeg).toFixed(0)}° under the horizon.`;
  const aside = Math.abs(sideDeg);
  const side = sideDeg < 0 ? 'left' : 'right';
  const where =
    aside > 150
      ? 'behind the subject: a rim, the face in its own shade'
      : aside > 100
        ? `behind and ${side}: a rim on that side`
        : aside > 50
          ? `from the ${side}: one side lit`
          : 'in front: squinting, harsh shadows';
  return `Sun ${where}, ${altitudeDeg.toFixed(0)}° high.`;
}

/** Who stands there: `light skin, dark hair, hat`. */
export const subject = ({ skin, hair, hat, spectacles, deepSet, company }: Subject): string =>
  [
    company === 'two' ? 'two people' : null,
    `${skin} skin`,
    `${hair} hair`,
    hat ? 'hat' : null,
    spectacles ? 'spectacles' : null,
    deepSet ? 'deep-set eyes' : null,
  ]
    .filter((part) => part !== null)
    .join(', ');

const SOCKETS = {
  hat: 'the brim puts them in shade',
  deepSet: 'deep-set eyes go dark',
  usual: 'eye sockets go dark',
} as const;

/** Something to watch on the stage. */
export function stageWatch(one: StageWatch, context: WordsContext): string {
  const name = lightNamed(one.lightId, context);
  if (isMotiveWatch(one)) return motiveWatch(one, context);
  switch (one.kind) {
    case 'beam-misses':
      return `${name}'s beam misses the face: ${stopsOf(one.lostStops)} are lost beside its axis.`;
    case 'beam-narrow':
      return (
        `${name}'s beam is ${formatDistance(one.beamM, unitOf(context))} wide at the group, which is ` +
        `${formatDistance(one.groupM, unitOf(context))}: its ends go dark. ` +
        `${one.inFront ? 'Farther back, or a wider modifier.' : 'A wider modifier.'}`
      );
    case 'in-frame':
      return `${name} shows in the frame.`;
    case 'stand-in-frame':
      return `The stand of ${name} shows in the frame. Hang it from a boom, or hide it behind the subject.`;
    case 'into-lens':
      return `${name} points at the lens: it flares. A flag or a grid on the camera's side keeps it off.`;
    case 'spectacles':
      return `${name} shows in the spectacles.`;
    case 'spill':
      return (
        `${name} gives ${formatShare(one.share)} of the light on the background. Move the subject forward, ` +
        'turn the light, or put a grid on it.'
      );
    case 'rim-on-face':
      return (
        `${name} stands ${one.asideDeg.toFixed(0)}° from the nose line: it touches cheek and nose. From ` +
        `${one.fromDeg}° on it stays on hair and shoulder.`
      );
    case 'second-shadow':
      return (
        `${lightNamed(one.bothIds[0], context)} and ${lightNamed(one.bothIds[1], context)} light the face ` +
        'from both sides: two nose shadows. Bring the weaker to the camera axis.'
      );
    case 'crossed-shadows':
      return (
        `${name} stands against the ambient, which is only ${stopsOf(one.underStops)} under it: two ` +
        'shadows cross. From the other side they fall together.'
      );
    case 'eye-sockets':
      return (
        `${name} stands ${one.riseDeg.toFixed(0)}° over the eyes: ${SOCKETS[one.because]}. ` +
        'Lower it, or fill from below or the front.'
      );
    case 'depth-light':
      return `The nearest person gets ${stopsOf(one.overStops)} more than the farthest.`;
    case 'sun-into-lens':
      return 'The sun stands near the frame: it flares. Never look at it through an optical finder.';
    case 'sun-in-eyes':
      return "The sun stands in the subject's eyes: squinting. Turn them, or ask for closed eyes until the frame.";
  }
}

/** A side as it is walked to: `70° left of the camera`. */
const sideText = (deg: number): string => {
  const aside = Math.round(Math.abs(deg));
  return aside === 0 ? 'the camera' : `${aside}° ${deg < 0 ? 'left' : 'right'} of the camera`;
};

/** What a motivated light stands for. */
export const MOTIVES: Record<Motive, string> = {
  lowSun: 'the low sun',
  window: 'a window',
  lamp: 'a lamp',
  headlight: 'a headlight',
  fire: 'a fire',
};

const kelvinOf = (kelvin: number): number => Math.round(kelvin / 50) * 50;

/** A motivated light that no longer agrees with what it stands for. */
function motiveWatch(one: MotiveWatch, context: WordsContext): string {
  const name = lightNamed(one.lightId, context);
  const at = (m: number) => formatDistance(m, unitOf(context));
  switch (one.kind) {
    case 'motive-direction':
      return (
        `${name} stands for ${MOTIVES[one.standsFor]}, which would come from ${sideText(one.sideDeg)}: ` +
        `it is ${Math.round(one.offDeg)}° off.`
      );
    case 'two-suns':
      return (
        `${name} stands for the low sun, and the real one shines from ${sideText(one.sideDeg)}, ` +
        `${Math.round(one.offDeg)}° off: two suns would show.`
      );
    case 'motive-height':
      return (
        `${name} stands for ${MOTIVES[one.standsFor]} and hangs ${at(one.overGroundM)} over the ground: ` +
        `such a light lies under ${at(one.mostM)}.`
      );
    case 'motive-rise':
      return `${name} stands for the low sun and stands ${Math.round(one.riseDeg)}° over the eyes: it is low up to ${one.mostDeg}°.`;
    case 'motive-colour':
      return (
        `${name} stands for ${MOTIVES[one.standsFor]} and burns at ${kelvinOf(one.kelvin)} K: such a light has ` +
        `${kelvinOf(one.warmestKelvin)} to ${kelvinOf(one.coolestKelvin)} K. A gel brings it there.`
      );
    case 'motive-level':
      return (
        `${name} stands for ${MOTIVES[one.standsFor]} and lies ${stopsOf(Math.abs(one.overAmbientStops))} ` +
        `${one.overAmbientStops < 0 ? 'under' : 'over'} the light that is there: ` +
        `${stopsOf(Math.abs(one.byStops))} ${one.byStops > 0 ? 'more' : 'less'} and it is believed.`
      );
  }
}

/** A change that brings a group under its bound. */
export function groupCure(cure: GroupCure, context: WordsContext): string {
  const unit = unitOf(context);
  switch (cure.id) {
    case 'distance':
      return `Move the key back to ${formatDistance(cure.distanceM, unit)}`;
    case 'height':
      return `Raise the key to ${formatDistance(cure.heightM, unit)} over the eyes`;
    case 'second':
      return `${cure.unitName} as a second key from the other side, both at ${formatDistance(cure.distanceM, unit)}`;
  }
}

/** A move that cures what was to watch. */
export function stageMove(move: StageMove, context: WordsContext): string {
  const unit = unitOf(context);
  switch (move.kind) {
    case 'turn-back':
      return `Turn it back by ${move.byDeg}°`;
    case 'aside':
      return `${move.byDeg}° further to the side`;
    case 'turn-from-camera':
      return `Turn it ${move.byDeg}° from the camera`;
    case 'tip-frames':
      return `Tip the frames down by ${move.byDeg}°`;
    case 'raise':
      return `Raise it by ${formatDistance(move.byM, unit)}`;
    case 'lower':
      return `Lower it by ${formatDistance(move.byM, unit)}`;
    case 'to-angle':
      return `To ${move.deg}°`;
    case 'to-side':
      return `To ${sideText(move.deg)}`;
    case 'use-modifier':
      return `Use ${move.name}`;
    case 'to-axis':
      return `${lightNamed(move.lightId, context)} to the camera axis`;
    case 'to-other-side':
      return `${lightNamed(move.lightId, context)} to the other side`;
    case 'group':
      return groupCure(move.cure, context);
  }
}

const PLACEMENTS: Record<PlacementId, { title: string; because: string }> = {
  loop: {
    title: 'Loop',
    because: 'Forty degrees aside, a hand over the eyes: the nose shadow points down and to the side.',
  },
  triangle: {
    title: 'Triangle on the cheek',
    because: "Fifty degrees aside and higher: the nose shadow meets the cheek's.",
  },
  butterfly: {
    title: 'From above the camera',
    because: 'On the nose line and high: a shadow right under the nose; cheekbones show.',
  },
  split: { title: 'Half the face', because: 'Square to the nose line: one half lit, one dark.' },
  near: {
    title: 'Large and near',
    because: 'As close as the frame allows: the softest light, and a background that falls away.',
  },
  axis: {
    title: 'Near the camera, hard',
    because: 'Beside the lens: a controlled hard light, hardly any shadow at the side.',
  },
  overhead: {
    title: 'Straight overhead',
    because: 'Over the head: a moody top light, dark sockets unless something opens them from below.',
  },
  lowFront: {
    title: 'Low in front',
    because: 'From under the face: theatrical, or a second light that opens sockets.',
  },
  highBehind: {
    title: 'High behind',
    because: 'Over the far shoulder and well back: hair, shoulders and smoke; keep it out of the frame and the lens.',
  },
  oppositeSun: { title: 'Opposite the sun', because: 'The sun rims one side, the key opens the other.' },
  withSun: { title: "From the ambient's own side", because: 'It wraps round what is there: no crossed shadows.' },
  onAxis: { title: 'On the camera axis', because: 'It draws no second nose shadow.' },
  below: {
    title: 'Under the key',
    because: "From below the chin: opens sockets and the brim's shade, two catch lights.",
  },
  farSide: {
    title: 'Behind the far side',
    because: 'Opposite the key, past 110° from the camera: hair and shoulder, not the nose.',
  },
  hair: { title: 'High behind', because: 'Straight behind and high: hair only. Keep it out of the frame.' },
  asSun: { title: "In the sun's place", because: 'Where the sun is or was: it carries its rim on.' },
  aside: { title: 'From the side', because: 'A gradient across the background.' },
  low: { title: 'Low behind the subject', because: 'A glow that rises behind the shoulders.' },
  lowSun: { title: 'As the low sun', because: 'Far and small: hard, parallel, even across the scene.' },
  lamp: { title: 'As a lamp in the picture', because: "Near and small at the lamp's height, from the lamp's side." },
  otherSide: { title: 'The same from the other side', because: 'Mirrored at the nose line.' },
};

/** A starting place for a light, with the reason and how far it then stands. */
export function placement(
  { id, distanceM }: Pick<Placement, 'id' | 'distanceM'>,
  context: WordsContext,
): { title: string; because: string } {
  const { title, because } = PLACEMENTS[id];
  return {
    title,
    because: distanceM === null ? because : `${because} ${formatDistance(distanceM, unitOf(context))}.`,
  };
}

/** Where the light that is there comes from. */
export const OPEN_SIDES: Record<OpenSide, string> = {
  left: 'the left',
  right: 'the right',
  above: 'above',
  camera: 'behind the camera',
  behind: 'behind the people',
  'all-round': 'all round',
};

/** A dimmer's setting: `40 % (−1.3)`. */
export const dimText = (dimStops: number): string => {
  const percent = percentOf(dimStops);
  const figure = `${percent < 9.95 ? percent.toFixed(1) : Math.round(percent)} %`;
  return dimStops > -0.05 ? figure : `${figure} (${formatStops(dimStops)})`;
};

/** What a lamp should be set to, or from how far it does so as it is. */
export function lampWish(wish: LampWish, context: WordsContext): string {
  const { outOfRange, exactDimStops, dimStops, isSet, distanceM, fullDistanceM } = wish;
  const at = (m: number) => formatDistance(m, unitOf(context));
  if (exactDimStops === null || dimStops === null) return 'Not needed: the rest of the light is there already.';
  if (outOfRange !== null) {
    const missing = `${stopsOf(outOfRange.byStops)} ${DIRECTION[outOfRange.direction]} at ${dimText(dimStops)}`;
    const nearer = outOfRange.direction === 'too-weak' ? fullDistanceM : distanceM;
    return nearer === null ? `${missing}.` : `${missing}. It does so from ${at(nearer)}.`;
  }
  if (isSet) return `Set as it should be, ${dimText(dimStops)}.`;
  const orMoved = distanceM === null ? '' : `, or as it is from ${at(distanceM)}`;
  return `Set it to ${dimText(dimStops)}${orMoved}.`;
}

/** What a lamp gives where it falls. */
export function lamp(
  { on, ev100, sdStops, addsStops, overAmbientStops, pointId, batteryMinutes }: LampSolution,
  context: WordsContext,
): string {
  const beside =
    overAmbientStops === null
      ? ''
      : `, ${stopsOf(overAmbientStops)} ${overAmbientStops < 0 ? 'under' : 'over'} the rest there`;
  const adds = addsStops === null ? '' : `: ${on ? 'it adds' : 'switched on it adds'} ${formatStops(addsStops)}`;
  const figure = `EV ${ev100.toFixed(1)} ± ${formatStopCount(sdStops)}`;
  const lasts = batteryMinutes === null ? '' : ` ${Math.floor(batteryMinutes)} min on its battery.`;
  return `${on ? '' : 'Off. '}${figure} on the ${pointInText(pointId, context)}${beside}${adds}.${lasts}`;
}

/** A ratio of light: `3.2:1, 1.7 stops`. */
export const lightingRatio = ({ ratio, stops }: Pick<NonNullable<LightRatios['face']>, 'ratio' | 'stops'>): string =>
  `${ratio < 9.95 ? ratio.toFixed(1) : Math.round(ratio)}:1, ${stopsOf(stops)}`;

const listed = (things: readonly string[]): string =>
  things.length < 2 ? things.join('') : `${things.slice(0, -1).join(', ')} and ${things.at(-1)}`;

/** What went along when the set was turned, and what stayed. */
export function turnedSet({ along, stays }: TurnedSet, { setup }: WordsContext): string {
  const some = (count: number, one: string, many: string) =>
    count === 0 ? [] : [count === 1 ? `the ${one}` : `${count} ${many}`];
  const went = [
    'the camera',
    ...some(along.lights, 'light', 'lights'),
    ...some(along.lamps, 'lamp', 'lamps'),
    ...some(along.panels, 'panel', 'panels'),
  ];
  const stayed = [
    ...(stays.sun ? ['the sun'] : []),
    ...setup.panels.filter(({ id }) => stays.panelIds.includes(id)).map((one) => `the ${panelName(one).toLowerCase()}`),
    'the light of the place',
  ];
  return (
    `${sentence(listed(went))} went round the subject, who turned with them. ` +
    `${sentence(listed(stayed))} stayed. What is behind the subject is something else now: meter it again.`
  );
}

const FILL_SURE_M = 0.05;

/** Whether a backdrop fills the frame, and what makes it do so. */
export function backdrop(fill: BackdropFill, context: WordsContext): string {
  const at = (m: number) => formatDistance(m, unitOf(context));
  const { fills, spareAsideM, spareAboveM, upToM, fromFocalMm } = fill;
  if (fills) {
    const close = Math.min(spareAsideM, spareAboveM) < FILL_SURE_M ? ', just' : '';
    return `The backdrop fills the frame${close}: ${at(spareAsideM)} to spare on each side, ${at(spareAboveM)} above.`;
  }
  const missing = [
    ...(spareAsideM < 0 ? [`${at(-spareAsideM)} on each side`] : []),
    ...(spareAboveM < 0 ? [`${at(-spareAboveM)} above`] : []),
  ];
  const ways = [
    ...(upToM === null ? [] : [`up to ${at(upToM)} behind the subject`]),
    ...(fromFocalMm === null ? [] : [`from ${fromFocalMm} mm on`]),
  ];
  const does = ways.length === 0 ? '' : ` It does ${ways.join(' or ')}.`;
  return `The backdrop does not fill the frame: ${listed(missing)} missing.${does}`;
}
