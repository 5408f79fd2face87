import type { ActionFacts, LampFacts, Way } from '../advice';
import type { ShadowLift } from '../balance';
import type { GroupLight } from '../lights';
import { formatDistance, formatShare, formatStopCount } from '../notation';
import { pointOf, unitOf, type WordsContext } from '../words';
import { cameraReason, MISSING, toSet } from './camera';
import { DIRECTION, sayStops, sentence, stopsOf } from './count';
import { lampNamed, lightNamed, lightNamedInText, pointInText } from './gear';
import { FLASH_FAULTS, howToMeter, question, sayMethod, stalenessSentence } from './metering';
import { dimText } from './stage';
import { way } from './waysOut';

type Said = { text: string; detail: string };
type Of<K extends ActionFacts['kind']> = Extract<ActionFacts, { kind: K }>;

/** A lamp with its dimmer's setting. */
const lampSet = ({ lampId, dimStops }: LampFacts, context: WordsContext): string =>
  `${lampNamed(lampId, context)} ${dimText(dimStops)}`;

/** What lamps are to be set to, and filming with them. */
function byLamps(action: Of<'film' | 'set-lamps' | 'lamp-out-of-range'>, context: WordsContext): Said {
  switch (action.kind) {
    case 'film': {
      const { shutter, aperture, iso } = action.dials;
      return {
        text: `${action.stills ? 'Shoot' : 'Film'}: ${shutter}, ${aperture}, ${iso}`,
        detail:
          action.lamps.length === 0
            ? 'Continuous light only; no flash.'
            : `${action.lamps.map((one) => lampSet(one, context)).join(', ')}.`,
      };
    }
    case 'set-lamps':
      return {
        text: action.lamps.map((one) => lampSet(one, context)).join(', '),
        detail: 'Set it, then meter what it falls on: the figures follow what is read.',
      };
    case 'lamp-out-of-range': {
      const { lampId, byStops, direction, distanceM } = action;
      const name = lampNamed(lampId, context);
      const cure =
        distanceM === null
          ? 'No place for it does so: take another lamp, or another picture.'
          : `From ${formatDistance(distanceM, unitOf(context))} it is enough${direction === 'too-weak' ? ', at full' : ''}.`;
      return { text: `${name} ${stopsOf(byStops)} ${DIRECTION[direction]}`, detail: cure };
    }
  }
}

/** What the dark side of the face asks for. */
const liftNeeded = ({ needStops }: ShadowLift): string =>
  `lift the shadow side ${stopsOf(needStops)} in the finished picture`;

/** Setting the camera, and the light that is there alone. */
function byCamera(action: Of<'set-camera' | 'fill-needed' | 'shoot-ambient'>): Said {
  switch (action.kind) {
    case 'set-camera':
      return {
        text: `Set the camera: ${action.moved.map((dial) => action.dials[dial]).join(', ')}`,
        detail: toSet(action.because),
      };
    case 'fill-needed':
      return {
        text: `Fill the shadow side: ${stopsOf(action.lift.needStops)}`,
        detail:
          `Lit side over shadow side is ${stopsOf(action.lift.contrastStops)}, ${stopsOf(action.lift.wantedStops)} ` +
          `are wished, and at this ISO the picture can lift only ${stopsOf(action.lift.mayStops)}.`,
      };
    case 'shoot-ambient': {
      const { shutter, aperture, iso } = action.dials;
      return {
        text: `Shoot: ${shutter}, ${aperture}, ${iso}`,
        detail:
          action.lift === null ? 'The light that is there, alone.' : `No fill needed: ${liftNeeded(action.lift)}.`,
      };
    }
  }
}

/** The one thing to do now, in the unit's own words. */
// eslint-disable-next-line complexity -- an exhaustive list of what can be said
export function nextAction(action: ActionFacts, context: WordsContext): Said {
  const firstWay = (first: Way | null, otherwise: string): string =>
    first === null ? otherwise : `First way out: ${way(first, context).title}.`;
  switch (action.kind) {
    case 'meter-face':
    case 'meter-background':
    case 'meter-highlight':
      return {
        text: `Meter the ${pointInText(action.pointId, context)}`,
        detail: howToMeter(action.method, pointOf(context, action.pointId)?.role ?? 'own'),
      };
    case 'meter-again':
      return {
        text: `Meter the ${pointInText(action.pointId, context)} again`,
        detail: `${stalenessSentence(action.because)} ${sentence(sayMethod(action.method))}.`,
      };
    case 'choose-camera':
      return { text: 'Choose the camera', detail: 'Its limits decide which settings are possible.' };
    case 'choose-flash':
      return { text: 'Choose the flash', detail: 'Unit, modifier and distance give the power.' };
    case 'no-flash-can-help':
      return {
        text: 'No flash can help here',
        detail:
          `The ambient on the face lies ${stopsOf(action.overStops)} over its place. ` +
          `${firstWay(action.first, 'Close down, or take light off the face.')}`,
      };
    case 'camera-cannot': {
      const { camera, first } = action;
      const missing = camera.missing === null ? '' : MISSING[camera.missing];
      return {
        text: `${stopsOf(camera.missingStops)} ${missing}`,
        detail: firstWay(first, cameraReason(camera)),
      };
    }
    case 'set-camera':
    case 'fill-needed':
    case 'shoot-ambient':
      return byCamera(action);
    case 'film':
    case 'set-lamps':
    case 'lamp-out-of-range':
      return byLamps(action, context);
    case 'power-out-of-range':
      return {
        text:
          `${action.lightId === null ? 'Flash' : lightNamed(action.lightId, context)} ` +
          `${stopsOf(action.byStops)} ${DIRECTION[action.direction]}`,
        detail: firstWay(action.first, `At ${action.limitText} it is at its limit.`),
      };
    case 'no-flash-measured':
      return {
        text: `Read ${action.lightId === null ? 'the flash' : lightNamedInText(action.lightId, context)} again`,
        detail: FLASH_FAULTS[action.problem.kind],
      };
    case 'answer':
      return { text: 'Is that flash reading right?', detail: question(action.question, context).text };
    case 'say-place':
      return placeWords(action, context);
    case 'set-and-test':
    case 'fire-test':
      return testWords(action, context);
    case 'set-powers':
      return {
        text: action.lights.map(({ lightId, powerText }) => `${groupOf(lightId, context)} ${powerText}`).join(', '),
        detail: action.first ? 'Set them, then fire all together.' : 'As the reading has it. Then fire all again.',
      };
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

function placeWords(
  { lightId, aimPointId, distanceM, powerText, sdStops }: Of<'say-place'>,
  context: WordsContext,
): Said {
  const distance = formatDistance(distanceM, context.kit.preferences.distanceUnit);
  const from = `${distance} from the ${pointInText(aimPointId, context)}`;
  const name = lightId === null ? 'the flash' : lightNamedInText(lightId, context);
  return {
    text: `Is ${name} ${from}?`,
    detail: `Nobody has said so. As assumed it wants ${powerText}, ± ${formatStopCount(sdStops)}.`,
  };
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

/** The radio letter of a light. */
const groupOf = (id: string, { setup }: WordsContext): string =>
  setup.lights.find((light) => light.id === id)?.group ?? '';

function shootWords({ dials: { shutter, aperture, iso }, flash }: Of<'shoot'>, context: WordsContext): Said {
  const text = `Shoot: ${shutter}, ${aperture}, ${iso}`;
  if (!Array.isArray(flash))
    return { text, detail: `Flash at ${flash.powerText}. Meter should read ${flash.meterText}.` };
  return {
    text,
    detail: `${flash.map(({ lightId, powerText }) => `${groupOf(lightId, context)} ${powerText}`).join(', ')}.`,
  };
}

/** How even the key is on a group. */
export const spread = ({
  spreadStops,
  withinStops,
  even,
}: Pick<GroupLight, 'spreadStops' | 'withinStops' | 'even'>): string =>
  `${stopsOf(spreadStops)} between brightest and darkest; ${even ? 'within' : 'over'} the ` +
  `${formatStopCount(withinStops)} wanted.`;
