import type { Balance } from '../balance';
import { writePower } from '../flash';
import type { LightSolution } from '../lights';
import { formatShare, formatStopCount, sayStops } from '../notation';
import { LIGHT_ROLES, lightPath, ROLE_FACTS, type Setting } from '../setup';
import { lightName, lightNameInText } from '../words';
import type { NextAction } from './action';
import { noFlashStops, troubleOf } from './trouble';
import type { WayOut } from './wayOut';

const action = (
  kind: NextAction['kind'],
  step: NextAction['step'],
  text: string,
  detail: string,
  settings: NextAction['settings'] = [],
): NextAction => ({ kind, step, text, detail, settings });

/** The one thing to do now, in the order in which the work goes, in the unit's own words. */
export function nextAction(now: Balance, ways: readonly WayOut[]): NextAction {
  const { camera, face, points, light } = now;
  const background = points.find((point) => point.role === 'background');
  if (face?.ambientEv100 == null) return action('meter-face', 'ambient', 'Meter the face', ROLE_FACTS.face.advice);
  if (background !== undefined && background.ambientEv100 === null)
    return action('meter-background', 'ambient', 'Meter the background', ROLE_FACTS.background.advice);
  // a change that was reported stops the work; mere age is marked at the point and left to the photographer
  const changed = now.meterAgain.filter(({ kind }) => kind === 'scene');
  const again = changed.find(({ pointId }) => pointId === face.pointId) ?? changed[0];
  if (again !== undefined)
    return action(
      'meter-again',
      'ambient',
      `Meter the ${points.find(({ pointId }) => pointId === again.pointId)?.name.toLowerCase() ?? 'point'} again`,
      `${again.because.replace(/^./, (first) => first.toUpperCase())}.`,
    );
  const highlight = points.find(({ pointId }) => pointId === now.look.missingPointId);
  if (now.cameraBody !== null && highlight !== undefined)
    return action(
      'meter-highlight',
      'ambient',
      `Meter the ${highlight.name.toLowerCase()}`,
      ROLE_FACTS[highlight.role].advice,
    );
  const unlit = points.find(
    ({ pointId, ambientEv100 }) =>
      ambientEv100 === null && now.usable.some(({ light: { aimPointId } }) => aimPointId === pointId),
  );
  if (camera !== null && unlit !== undefined && now.usable.length > 1)
    return action('meter-highlight', 'ambient', `Meter the ${unlit.name.toLowerCase()}`, ROLE_FACTS[unlit.role].advice);
  if (camera === null)
    return action('choose-camera', 'camera', 'Choose the camera', 'Its limits decide which settings are possible.');
  const cure = ways[0];
  const trouble = troubleOf(now);
  const overStops = noFlashStops(now);
  if (overStops > 0 && trouble?.kind !== 'too dark')
    return action(
      'no-flash-can-help',
      camera.met ? 'look' : 'camera',
      'No flash can help here',
      `The ambient on the face lies ${formatStopCount((face.ambientStops ?? 0) - now.look.finalStops)} stops over its place. ${cure === undefined ? 'Close down, or take light off the face.' : `First way out: ${cure.title}.`}`,
    );
  if (!camera.met)
    return action(
      'camera-cannot',
      'camera',
      `${formatStopCount(camera.missingStops)} stops ${camera.missing}`,
      cure === undefined ? camera.reason : `First way out: ${cure.title}.`,
    );
  if (now.video)
    return action(
      'film',
      'camera',
      `Film: ${camera.text.shutter}, ${camera.text.aperture}, ${camera.text.iso}`,
      'Continuous light only; no flash.',
    );
  if (light?.solution == null)
    return action('choose-flash', 'flash', 'Choose the flash', 'Unit, modifier and distance give the power.');
  const several = now.lights.length > 1;
  const missing = now.lights.find(({ outOfRange }) => outOfRange !== null);
  if (missing?.outOfRange != null)
    return action(
      'power-out-of-range',
      'flash',
      `${several ? lightName(missing) : 'Flash'} ${formatStopCount(missing.outOfRange.byStops)} stops ${missing.outOfRange.direction}`,
      cure === undefined ? `At ${missing.outOfRange.limitText} it is at its limit.` : `First way out: ${cure.title}.`,
    );
  const unread = now.lights.find(({ problem }) => problem !== null);
  if (unread?.problem != null)
    return action(
      'no-flash-measured',
      'check',
      several ? `Read ${lightNameInText(unread)} again` : 'Read the flash again',
      unread.problem,
    );
  const outlier = now.questions.find(({ kind }) => kind === 'outlier');
  if (outlier !== undefined) return action('answer', 'check', 'Is that flash reading right?', outlier.text);
  if (several) return severalAction(now, camera.text);
  return flashAction(
    light.solution,
    { path: lightPath(light.index, 'dialledStops'), value: light.solution.powerStops ?? 0 },
    light.light.dialledStops,
    camera.text,
  );
}

const firstUp = (text: string): string => text.replace(/^./, (letter) => letter.toUpperCase());

/** Lights in the order in which they are metered: background, fill, rim and motivated ones, the key last; or as they are listed. */
export function meteringOrder({ lights, meterOrder }: Balance): LightSolution[] {
  return meterOrder === 'listed'
    ? [...lights]
    : [...lights].sort((a, b) => LIGHT_ROLES.indexOf(a.role) - LIGHT_ROLES.indexOf(b.role));
}

/** Less than this is not seen in a picture, stops. */
const UNSEEN_STOPS = 0.05;

/** Several lights: each alone, then what the readings changed, then all together. */
function severalAction(now: Balance, text: { aperture: string; shutter: string; iso: string }): NextAction {
  const firing = meteringOrder(now).filter(({ powerStops }) => powerStops !== null);
  const dialled = (one: LightSolution) =>
    now.usable.find(({ light }) => light.id === one.lightId)?.light.dialledStops ?? null;
  const dial = (one: LightSolution) => ({ path: lightPath(one.index, 'dialledStops'), value: one.powerStops ?? 0 });
  // a change that the picture does not show is not worth a walk to the stand
  const isSet = (one: LightSolution) => {
    const stops = dialled(one);
    return stops !== null && Math.abs(stops - (one.powerStops ?? 0)) * one.flashShare < UNSEEN_STOPS;
  };
  const dialText = (one: LightSolution) => {
    const its = now.usable.find(({ light }) => light.id === one.lightId);
    return its === undefined
      ? (one.powerText ?? '')
      : writePower(its.config.unit.scale, its.light.dialledStops ?? one.powerStops ?? 0);
  };
  const unmetered = firing.find(({ basis }) => basis !== 'reading');
  if (unmetered !== undefined) {
    const others = firing.filter((one) => one !== unmetered).map(({ group }) => group);
    const reads = `Dome at the ${unmetered.aimName.toLowerCase()}. Meter should read ${unmetered.meter?.flashText ?? ''} flash only, ${unmetered.meter?.totalText ?? ''} total.`;
    return isSet(unmetered)
      ? action('fire-test', 'check', `Fire ${lightName(unmetered)} alone`, `Turn off ${others.join(' and ')}. ${reads}`)
      : action(
          'set-and-test',
          'check',
          `${lightName(unmetered)} to ${unmetered.powerText ?? ''}`,
          `Turn off ${others.join(' and ')}. ${reads}`,
          [dial(unmetered)],
        );
  }
  const wrong = firing.find((one) => !isSet(one));
  if (wrong !== undefined) {
    const change = (wrong.powerStops ?? 0) - (dialled(wrong) ?? wrong.correction?.firedPowerStops ?? 0);
    return action(
      'correct',
      'check',
      `${lightName(wrong)} ${change < 0 ? 'down' : 'up'} ${formatStopCount(change)}: ${wrong.powerText ?? ''}`,
      `${firstUp(sayStops(change))} from this light; its share at the ${wrong.aimName.toLowerCase()} is ${formatShare(wrong.flashShare)}.`,
      [dial(wrong)],
    );
  }
  const face = now.face;
  if (now.together === null && face?.totalEv100 != null)
    return action(
      'fire-all',
      'check',
      `Fire all ${firing.length} together`,
      `Dome at the ${face.name.toLowerCase()}: the meter should read ${face.meterText ?? ''}.`,
    );
  return action(
    'shoot',
    'check',
    `Shoot: ${text.shutter}, ${text.aperture}, ${text.iso}`,
    `${[...firing]
      .sort((a, b) => (a.group < b.group ? -1 : 1))
      .map((one) => `${one.group} ${dialText(one)}`)
      .join(', ')}.`,
  );
}

function flashAction(
  solution: LightSolution,
  dial: Setting,
  dialledStops: number | null,
  text: { aperture: string; shutter: string; iso: string },
): NextAction {
  const { correction, powerText, powerStops } = solution;
  const target = powerStops ?? 0;
  const reads = `Meter should read ${solution.meter?.totalText ?? ''}`;
  const isSet = dialledStops !== null && Math.abs(dialledStops - target) < 1e-6;
  const shoot = action(
    'shoot',
    'check',
    `Shoot: ${text.shutter}, ${text.aperture}, ${text.iso}`,
    `Flash at ${powerText ?? ''}. ${reads}.`,
  );
  if (correction === null) {
    const spread = `${reads}; ${solution.basis === 'calibration' ? 'as learned' : 'untested'} ${solution.meter?.rangeText ?? ''}.`;
    return isSet
      ? action('fire-test', 'check', 'Fire a test and meter it', spread)
      : action('set-and-test', 'check', `Flash to ${powerText ?? ''}`, spread, [dial]);
  }
  if (Math.abs(correction.changeStops) < 1e-6 || isSet) return shoot;
  const direction = correction.changeStops < 0 ? 'down' : 'up';
  return action(
    'correct',
    'check',
    `Flash ${direction} ${formatStopCount(correction.changeStops)}: ${powerText ?? ''}`,
    `${firstUp(sayStops(correction.changeStops))} on the face from flash. ${reads}.`,
    [dial],
  );
}
