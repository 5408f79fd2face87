import { formatStopCount, sayStops } from '../photometry';
import type { Balance } from './balance';
import type { LightSolution } from './lightPower';
import { ROLE_FACTS } from './pointRoles';
import type { NextAction, WayOut } from './solution';

const action = (kind: NextAction['kind'], step: NextAction['step'], text: string, detail: string, settings: NextAction['settings'] = []): NextAction => ({ kind, step, text, detail, settings });

/** The one thing to do now, in the order in which the work goes, in the unit's own words. */
export function nextAction(now: Balance, ways: readonly WayOut[]): NextAction {
  const { camera, face, points, light } = now;
  const background = points.find((point) => point.role === 'background');
  if (face?.ambientEv100 == null) return action('meter-face', 'ambient', 'Meter the face', ROLE_FACTS.face.advice);
  if (background !== undefined && background.ambientEv100 === null) return action('meter-background', 'ambient', 'Meter the background', ROLE_FACTS.background.advice);
  // a change that was reported stops the work; mere age is marked at the point and left to the photographer
  const changed = now.meterAgain.filter(({ kind }) => kind === 'scene');
  const again = changed.find(({ pointId }) => pointId === face.pointId) ?? changed[0];
  if (again !== undefined) return action('meter-again', 'ambient', `Meter the ${points.find(({ pointId }) => pointId === again.pointId)?.name.toLowerCase() ?? 'point'} again`, `${again.because.replace(/^./, (first) => first.toUpperCase())}.`);
  if (camera === null) return action('choose-camera', 'camera', 'Choose the camera', 'Its limits decide which settings are possible.');
  const cure = ways[0];
  if (!camera.met) return action('camera-cannot', 'camera', `${formatStopCount(camera.missingStops)} stops ${camera.missing}`, cure === undefined ? camera.reason : `First way out: ${cure.title}.`);
  if (light?.solution == null) return action('choose-flash', 'flash', 'Choose the flash', 'Unit, modifier and distance give the power.');
  const { solution } = light;
  if (solution.powerStops === null || solution.powerText === null || solution.meter === null)
    return action('no-flash-can-help', 'look', 'No flash can help here', 'Hold the ambient back further, or take light off the face.');
  if (solution.outOfRange !== null)
    return action('power-out-of-range', 'flash', `Flash ${formatStopCount(solution.outOfRange.byStops)} stops ${solution.outOfRange.direction}`, cure === undefined ? `At ${solution.outOfRange.limitText} it is at its limit.` : `First way out: ${cure.title}.`);
  if (solution.problem !== null) return action('no-flash-measured', 'check', 'Read the flash again', solution.problem);
  return flashAction(solution, light.light.dialledStops, camera.text);
}

function flashAction(solution: LightSolution & { powerStops?: number | null }, dialledStops: number | null, text: { aperture: string; shutter: string; iso: string }): NextAction {
  const { correction, powerText, powerStops } = solution;
  const target = powerStops ?? 0;
  const reads = `Meter should read ${solution.meter?.totalText ?? ''}`;
  const dial = [{ path: 'lights.0.dialledStops' as const, value: target }];
  const isSet = dialledStops !== null && Math.abs(dialledStops - target) < 1e-6;
  const shoot = action('shoot', 'check', `Shoot: ${text.shutter}, ${text.aperture}, ${text.iso}`, `Flash at ${powerText ?? ''}. ${reads}.`);
  if (correction === null) {
    const spread = `${reads}; untested ${solution.meter?.rangeText ?? ''}.`;
    return isSet ? action('fire-test', 'check', 'Fire a test and meter it', spread) : action('set-and-test', 'check', `Flash to ${powerText ?? ''}`, spread, dial);
  }
  if (Math.abs(correction.changeStops) < 1e-6 || isSet) return shoot;
  const direction = correction.changeStops < 0 ? 'down' : 'up';
  return action('correct', 'check', `Flash ${direction} ${formatStopCount(correction.changeStops)}: ${powerText ?? ''}`, `${sayStops(correction.changeStops).replace(/^./, (first) => first.toUpperCase())} on the face from flash. ${reads}.`, dial);
}
