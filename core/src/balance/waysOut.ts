import { highSpeedSyncLossStops } from '../flash';
import { BARE_REFLECTOR, distanceForChange } from '../modifiers';
import {
  AV_RANGE, INCREMENT_STOPS, SV_RANGE, TV_RANGE, ceilToStep, floorToStep, formatAperture, formatIso, formatShare, formatShutter, formatStopCount, roundToStep, shareFromHoldBack,
} from '../photometry';
import { type Balance, type Fact, balance } from './balance';
import { type CameraSolution, limitsInForce } from './cameraSettings';
import { formatDistance } from './distanceText';
import type { Kit } from './kit';
import { type Setting, withSettings } from './settings';
import { HOLD_BACK_RANGE, type Setup } from './setup';
import type { WayOut } from './solution';

interface Candidate {
  id: string;
  title: string;
  /** what it does to the picture, before the price in flash */
  effect: string;
  settings: Setting[];
}

const holdBackCandidate = (holdBackStops: number, darker: boolean): Candidate => ({
  id: darker ? 'more-hold-back' : 'less-hold-back',
  title: `Hold the ambient back ${formatStopCount(holdBackStops)} stops instead`,
  effect: `The ambient on the face sits ${darker ? 'darker' : 'brighter'}; flash share ${formatShare(shareFromHoldBack(holdBackStops))}`,
  settings: [{ path: 'look.holdBackStops', value: holdBackStops }],
});

/** Adds up filters that are owned but not on, and picks the lightest stack that reaches the need, else the strongest. */
function filterStack(setup: Setup, kit: Kit, needStops: number): Kit['filters'] {
  const free = kit.filters.filter(({ id }) => !setup.camera.filterIds.includes(id)).slice(0, 8);
  const sum = (stack: Kit['filters']) => stack.reduce((total, { lossStops }) => total + lossStops, 0);
  const stacks = Array.from({ length: 2 ** free.length - 1 }, (_, index) => free.filter((_filter, bit) => ((index + 1) >> bit) & 1));
  const enough = stacks.filter((stack) => sum(stack) >= needStops - 1 / 6);
  const best = (list: Kit['filters'][], better: (a: number, b: number) => boolean) =>
    list.reduce<Kit['filters'] | undefined>((found, stack) => (found === undefined || better(sum(stack), sum(found)) ? stack : found), undefined);
  return best(enough, (a, b) => a < b) ?? best(stacks, (a, b) => a > b) ?? [];
}

function tooBrightCandidates(setup: Setup, kit: Kit, { camera, cameraBody, light }: Balance, need: number): Candidate[] {
  if (camera === null || cameraBody === null) return [];
  const step = INCREMENT_STOPS[cameraBody.increment];
  const av = Math.min(floorToStep(cameraBody.smallestAv, step), ceilToStep(camera.av + need - step / 2, step), AV_RANGE.most);
  const stack = filterStack(setup, kit, need);
  const candidates: Candidate[] = [
    { id: 'stop-down', title: `Stop down to ${formatAperture(av, cameraBody.increment)}`, effect: 'More depth of field', settings: [{ path: 'camera.wantedAv', value: av }] },
  ];
  if (stack.length > 0)
    candidates.push({ id: 'nd', title: `Put on ${stack.map(({ name }) => name).join(' + ')}`, effect: 'Keeps the aperture', settings: [{ path: 'camera.filterIds', value: [...setup.camera.filterIds, ...stack.map(({ id }) => id)] }] });
  const entryLossStops = light?.unit.highSpeedSyncLossStops ?? null;
  if (!setup.camera.highSpeedSync && cameraBody.fastestTv > camera.tv && entryLossStops !== null) {
    const tv = Math.min(cameraBody.fastestTv, ceilToStep(camera.tv + need - step / 2, step));
    candidates.push({ id: 'high-speed-sync', title: `Faster shutter, ${formatShutter(tv, cameraBody.increment)}, in high-speed sync`, effect: `Keeps the aperture; costs this flash ${formatStopCount(highSpeedSyncLossStops(entryLossStops, tv - camera.tv))} stops, so it does not gain on the sun`, settings: [{ path: 'camera.highSpeedSync', value: true }] });
  }
  candidates.push(holdBackCandidate(Math.max(HOLD_BACK_RANGE.least, roundToStep(setup.look.holdBackStops - need, 0.1)), false));
  const limits = limitsInForce(cameraBody, setup.camera);
  if (limits.baseSv > cameraBody.baseSv)
    candidates.push({ id: 'lower-iso', title: `Lower the ISO to ${formatIso(cameraBody.baseSv)}`, effect: "The camera's own base ISO", settings: [{ path: 'camera.limits.baseSv', value: null }] });
  return candidates;
}

function tooDarkCandidates(setup: Setup, _kit: Kit, { camera, cameraBody }: Balance, need: number): Candidate[] {
  if (camera === null || cameraBody === null) return [];
  const step = INCREMENT_STOPS[cameraBody.increment];
  const slower = Math.max(floorToStep(camera.tv - need + step / 2, step), TV_RANGE.least);
  const wider = Math.max(ceilToStep(cameraBody.widestAv, step), floorToStep(camera.av - need + step / 2, step));
  const higher = Math.min(ceilToStep(camera.sv + need - step / 2, step), SV_RANGE.most);
  const holdBack = Math.min(HOLD_BACK_RANGE.most, roundToStep(setup.look.holdBackStops + need, 0.1));
  const candidates: Candidate[] = [
    { id: 'slower-shutter', title: `Slower shutter, ${formatShutter(slower, cameraBody.increment)}, on a tripod`, effect: 'People must hold still', settings: [{ path: 'camera.limits.slowestTv', value: slower }] },
    { id: 'open-up', title: `Open up to ${formatAperture(wider, cameraBody.increment)}`, effect: 'Less depth of field', settings: [{ path: 'camera.wantedAv', value: wider }] },
    { id: 'higher-iso', title: `Raise the ISO to ${formatIso(higher)}`, effect: 'More noise than you allowed', settings: [{ path: 'camera.limits.highestSv', value: higher }] },
    holdBackCandidate(holdBack, true),
  ];
  if (setup.camera.filterIds.length > 0)
    candidates.push({ id: 'filters-off', title: `Take ${camera.text.filters ?? 'the filter'} off`, effect: 'Keeps the aperture', settings: [{ path: 'camera.filterIds', value: [] }] });
  return candidates;
}

function powerCandidates(setup: Setup, kit: Kit, { camera, cameraBody, light, face }: Balance, direction: 'too weak' | 'too strong', need: number): Candidate[] {
  if (camera === null || cameraBody === null || light === null) return [];
  const weak = direction === 'too weak';
  const step = INCREMENT_STOPS[cameraBody.increment];
  const shape = (light.modifier ?? BARE_REFLECTOR).shape;
  const candidates: Candidate[] = [];
  const distanceM = distanceForChange(shape, light.light.distanceM, weak ? need + 0.05 : -need - 0.05);
  if (distanceM !== undefined) {
    const rounded = Math.max(0.3, (weak ? Math.floor(distanceM * 20 + 1e-6) : Math.ceil(distanceM * 20 - 1e-6)) / 20);
    candidates.push({ id: weak ? 'closer' : 'farther', title: `Move the light ${weak ? 'in' : 'out'} to ${formatDistance(rounded, kit.preferences.distanceUnit)}`, effect: weak ? 'Softer; falls off faster behind the face' : 'Harder; falls off more slowly', settings: [{ path: 'lights.0.distanceM', value: rounded }] });
  }
  const otherLoss = light.modifier?.lossStops ?? 0;
  for (const modifier of kit.modifiers.filter(({ id, lossStops }) => id !== light.light.modifierId && (weak ? lossStops <= otherLoss - 0.3 : lossStops >= otherLoss + 0.3)))
    candidates.push({ id: `modifier-${modifier.id}`, title: `Change to ${modifier.name}`, effect: weak ? 'Less diffusion, another quality of light' : 'More diffusion, another quality of light', settings: [{ path: 'lights.0.modifierId', value: modifier.id }] });
  const limits = limitsInForce(cameraBody, setup.camera);
  if (weak) {
    const sv = Math.min(limits.highestSv, limits.baseSv + ceilToStep(need, step));
    if (sv > limits.baseSv && camera.tv < limits.syncTv) candidates.push({ id: 'iso-for-flash', title: `Raise the ISO to ${formatIso(sv)}, shutter follows`, effect: 'More noise; the ambient stays where it is, up to sync', settings: [{ path: 'camera.limits.baseSv', value: sv }] });
    if (setup.camera.filterIds.length > 0) candidates.push({ id: 'filters-off', title: `Take ${camera.text.filters ?? 'the filter'} off`, effect: 'Gives the flash its light back', settings: [{ path: 'camera.filterIds', value: [] }] });
    if (setup.camera.highSpeedSync) candidates.push({ id: 'leave-high-speed-sync', title: 'Leave high-speed sync', effect: 'The shutter stays at sync', settings: [{ path: 'camera.highSpeedSync', value: false }] });
  } else {
    const av = Math.min(floorToStep(cameraBody.smallestAv, step), ceilToStep(camera.av + need, step));
    if (av > camera.av) candidates.push({ id: 'stop-down', title: `Stop down to ${formatAperture(av, cameraBody.increment)}, shutter follows`, effect: 'More depth of field', settings: [{ path: 'camera.wantedAv', value: av }] });
  }
  const other = face?.ambientStops == null ? null : roundToStep(setup.look.holdBackStops + (weak ? -0.5 : 0.5), 0.1);
  if (other !== null && other >= HOLD_BACK_RANGE.least && other <= HOLD_BACK_RANGE.most) candidates.push(holdBackCandidate(other, !weak));
  return candidates;
}

/** The price in flash of going from one state to another, in the unit's own words. */
function flashPrice(before: Balance, after: Balance): string | null {
  const from = before.light?.solution;
  const to = after.light?.solution;
  if (!to || !after.light) return null;
  if (to.exactPowerStops === null) return 'No flash can help there';
  const where = to.outOfRange === null ? `flash ${to.powerText}` : `flash out of reach, ${formatStopCount(to.outOfRange.byStops)} stops ${to.outOfRange.direction}`;
  if (!from || from.exactPowerStops === null) return where;
  const change = to.exactPowerStops - from.exactPowerStops;
  return Math.abs(change) < 0.05 ? `${where}, unchanged` : `${where} (needs ${formatStopCount(change)} stops ${change > 0 ? 'more' : 'less'})`;
}

const missOf = (cures: WayOut['cures'], { camera, light }: Balance): number =>
  cures === 'camera' ? (camera?.missingStops ?? 0) : (light?.solution?.outOfRange?.byStops ?? 0);

/** Turning the subject, shade and a diffuser have no setting: they ask for a new reading. */
const sceneWayOut = (camera: CameraSolution): WayOut => camera.missing === 'too bright'
  ? { id: 'shade', cures: 'camera', title: 'Open shade, turn the face, or a diffuser overhead', price: `Needs ${formatStopCount(camera.missingStops)} stops less light on the face; then meter again. The flash needs no more for it.`, helpsStops: camera.missingStops, solves: true, settings: [] }
  : { id: 'more-ambient', cures: 'camera', title: 'Move into more light', price: `Needs ${formatStopCount(camera.missingStops)} stops more ambient; meter again.`, helpsStops: camera.missingStops, solves: true, settings: [] };

/**
 * Every way out of a wish that the camera or the flash cannot meet. Each is tried on the setup itself, so its figures
 * are those one gets after tapping it; what does not help is not listed. Whole cures come before partial ones.
 */
export function waysOut(setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date, now: Balance): WayOut[] {
  const camera = now.camera;
  if (camera === null) return [];
  const miss = now.light?.solution?.outOfRange ?? null;
  const cures: WayOut['cures'] = camera.met ? 'power' : 'camera';
  if (camera.met && miss === null) return [];
  const candidates = !camera.met
    ? (camera.missing === 'too bright' ? tooBrightCandidates : tooDarkCandidates)(setup, kit, now, camera.missingStops)
    : miss === null ? [] : powerCandidates(setup, kit, now, miss.direction, miss.byStops);

  const tried = candidates.flatMap((candidate): WayOut[] => {
    const changed = withSettings(setup, candidate.settings);
    if (!changed.ok) return [];
    const after = balance(changed.value, kit, facts, clock);
    const left = missOf(cures, after);
    const helpsStops = missOf(cures, now) - left;
    if (helpsStops < 0.05 || (cures === 'power' && after.camera?.met === false)) return [];
    const solves = left < 1e-9;
    const partly = solves ? null : `helps ${formatStopCount(helpsStops)} of ${formatStopCount(missOf(cures, now))} stops`;
    const shutter = after.camera === null || cures === 'power' ? null : `${after.camera.text.shutter}, ${after.camera.text.aperture}, ${after.camera.text.iso}`;
    return [{
      id: candidate.id, cures, title: candidate.title, solves, helpsStops, settings: candidate.settings,
      price: [partly, candidate.effect, shutter, flashPrice(now, after)].filter((part) => part !== null).join('; ') + '.',
    }];
  });
  const scene = cures === 'camera' ? [sceneWayOut(camera)] : [];
  return [...tried.filter(({ solves }) => solves), ...scene, ...tried.filter(({ solves }) => !solves)];
}
