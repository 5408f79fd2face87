import { limitsInForce } from '../exposure';
import { highSpeedSyncLossStops } from '../flash';
import { type Kit, offered } from '../gear';
import { AV_RANGE, formatAperture, formatIso, formatShutter, SV_RANGE, TV_RANGE } from '../notation';
import { ceilToStep, floorToStep } from '../photometry';
import { HOLD_BACK_RANGE } from '../setup';
import {
  apertureSettings,
  aperturesOf,
  type Candidate,
  lightestStack,
  lookCandidate,
  type Place,
  unpinCandidates,
} from './candidate';

/** Adds up filters that are owned but not on, and picks the lightest stack that reaches the need, else the strongest. */
function filterStack({ setup, kit, needStops, step }: Place): readonly Kit['filters'][number][] {
  const free = offered(kit.filters)
    .filter(({ id }) => !setup.camera.filterIds.includes(id))
    .slice(0, 8);
  const room = 6 - setup.camera.filterIds.length;
  // what is left must round away on the camera's dials
  return lightestStack(free, room, needStops - step / 2);
}

export function tooBright(place: Place): Candidate[] {
  const {
    setup,
    now,
    camera,
    gear: { body, lens },
    step,
    needStops,
  } = place;
  const av = Math.min(
    floorToStep(aperturesOf(place).smallest, step),
    ceilToStep(camera.av + needStops - step / 2, step),
    AV_RANGE.most,
  );
  const stack = filterStack(place);
  const limits = limitsInForce(body, lens, setup.camera);
  const candidates: Candidate[] = [
    {
      id: 'stop-down',
      way: { kind: 'stop-down', apertureText: formatAperture(av, body.increment) },
      settings: apertureSettings(place, av),
    },
  ];
  if (stack.length > 0)
    candidates.push({
      id: 'nd',
      way: {
        kind: 'nd',
        names: stack.map(({ name }) => name),
        polariser: stack.some(({ kind }) => kind === 'polariser'),
      },
      settings: [{ path: 'camera.filterIds', value: [...setup.camera.filterIds, ...stack.map(({ id }) => id)] }],
    });
  candidates.push(...highSpeedSyncCandidate(place));
  if (limits.baseSv > body.baseSv)
    candidates.push({
      id: 'lower-iso',
      way: { kind: 'lower-iso', isoText: formatIso(body.baseSv) },
      settings: [{ path: 'camera.limits.baseSv', value: null }],
    });
  if (body.extendedLowSv !== null && limits.baseSv > body.extendedLowSv)
    candidates.push({
      id: 'extended-iso',
      way: {
        kind: 'extended-iso',
        isoText: formatIso(body.extendedLowSv),
        clipsEarlierStops: body.baseSv - body.extendedLowSv,
      },
      settings: [{ path: 'camera.limits.baseSv', value: body.extendedLowSv }],
    });
  if (setup.camera.keepOrder[0] === 'shutter' && setup.camera.wantedTv !== null)
    candidates.push({
      id: 'faster-shutter',
      way: { kind: 'faster-shutter', shutterText: formatShutter(floorToStep(limits.safeSyncTv, step), body.increment) },
      settings: [{ path: 'camera.wantedTv', value: null }],
    });
  const holdBack = now.look.holdBackStops ?? 0;
  return [
    ...candidates,
    ...unpinCandidates(place),
    ...(holdBack - needStops >= HOLD_BACK_RANGE.least || setup.look.exposeBy !== 'face'
      ? lookCandidate(place, -needStops)
      : []),
  ];
}

/** High-speed sync, as far as body and unit can do it, just fast enough for the need. */
export function highSpeedSyncCandidate({
  setup,
  now: { light },
  camera,
  gear: { body },
  step,
  needStops,
}: Place): Candidate[] {
  const entryLossStops = light?.unit.highSpeedSyncLossStops ?? null;
  if (
    setup.camera.highSpeedSync ||
    !body.highSpeedSync ||
    body.fastestTv <= camera.tv ||
    entryLossStops === null ||
    setup.camera.video !== null
  )
    return [];
  const tv = Math.min(floorToStep(body.fastestTv, step), ceilToStep(camera.tv + needStops - step / 2, step));
  return [
    {
      id: 'high-speed-sync',
      way: {
        kind: 'high-speed-sync',
        shutterText: formatShutter(tv, body.increment),
        lossStops: highSpeedSyncLossStops(entryLossStops, tv - camera.tv),
      },
      settings: [{ path: 'camera.highSpeedSync', value: true }],
    },
  ];
}

export function tooDark(place: Place): Candidate[] {
  const {
    setup,
    camera,
    gear: { body },
    step,
    needStops,
  } = place;
  const slower = Math.max(floorToStep(camera.tv - needStops + step / 2, step), TV_RANGE.least);
  const wider = Math.max(
    ceilToStep(aperturesOf(place).widest, step),
    floorToStep(camera.av - needStops + step / 2, step),
  );
  const highest = Math.min(body.extendedHighSv ?? body.highestSv, SV_RANGE.most);
  const higher = Math.min(ceilToStep(camera.sv + needStops - step / 2, step), highest);
  const candidates: Candidate[] = [];
  if (setup.camera.filterIds.length > 0)
    candidates.push({
      id: 'filters-off',
      way: { kind: 'filters-off', names: camera.text.filters, forFlash: false },
      settings: [{ path: 'camera.filterIds', value: [] }],
    });
  if (setup.camera.support === 'hand')
    candidates.push({
      id: 'tripod',
      way: { kind: 'tripod', motion: setup.camera.motion },
      settings: [
        { path: 'camera.support', value: 'tripod' },
        ...(setup.camera.limits.slowestTv === null ? [] : [{ path: 'camera.limits.slowestTv' as const, value: null }]),
      ],
    });
  if (setup.camera.video === null)
    candidates.push({
      id: 'slower-shutter',
      way: { kind: 'slower-shutter', shutterText: formatShutter(slower, body.increment) },
      settings: [{ path: 'camera.limits.slowestTv', value: slower }],
    });
  candidates.push(
    {
      id: 'open-up',
      way: { kind: 'open-up', apertureText: formatAperture(wider, body.increment) },
      settings: apertureSettings(place, wider),
    },
    {
      id: 'higher-iso',
      way: { kind: 'higher-iso', isoText: formatIso(higher) },
      settings: [{ path: 'camera.limits.highestSv', value: higher }],
    },
  );
  return [...candidates, ...unpinCandidates(place), ...lookCandidate(place, needStops)];
}

/** The camera could, but the ambient leaves the flash nothing to do: only a darker picture of it helps. */
