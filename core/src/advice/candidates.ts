import type { Balance } from '../balance';
import { type CameraGear, type CameraSolution, limitsInForce, MOTION_LIMITS } from '../exposure';
import { highSpeedSyncLossStops } from '../flash';
import { type Kit, offered } from '../gear';
import { distanceForChange } from '../modifiers';
import {
  AV_RANGE,
  formatAperture,
  formatDistance,
  formatIso,
  formatShare,
  formatShutter,
  formatStopCount,
  formatStops,
  sayStops,
  SV_RANGE,
  TV_RANGE,
} from '../notation';
import { ceilToStep, floorToStep, INCREMENT_STOPS, roundToStep, shareFromHoldBack } from '../photometry';
import {
  HOLD_BACK_RANGE,
  type LightField,
  lightPath,
  LOOK_RANGES,
  type Setting,
  type SettingPath,
  type Setup,
} from '../setup';
import type { Trouble } from './trouble';

/** Something that may help: tried on the setup before it is listed. */
export interface Candidate {
  id: string;
  title: string;
  /** what it does to the picture, before the price in flash */
  effect: string;
  settings: Setting[];
}

/** The dials of a gear with the settings now, as far as candidates need them. */
interface Place {
  setup: Setup;
  kit: Kit;
  now: Balance;
  camera: CameraSolution;
  gear: CameraGear;
  step: number;
  needStops: number;
}

const PIN_PATHS = [
  ['av', 'camera.pins.av'],
  ['tv', 'camera.pins.tv'],
  ['sv', 'camera.pins.sv'],
] as const satisfies readonly (readonly [string, SettingPath])[];
const PIN_NAMES = { av: 'aperture', tv: 'shutter', sv: 'ISO' } as const;

const aperturesOf = ({ gear: { lens, body } }: Place) => ({
  widest: lens?.widestAv ?? body.widestAv,
  smallest: lens?.smallestAv ?? body.smallestAv,
});

/** A typed aperture takes the place of a pin and of the people's depth. */
const apertureSettings = ({ setup }: Place, av: number): Setting[] => [
  { path: 'camera.wantedAv', value: av },
  ...(setup.camera.depth === null ? [] : [{ path: 'camera.depth' as const, value: null }]),
  ...(setup.camera.pins.av === null ? [] : [{ path: 'camera.pins.av' as const, value: null }]),
];

const unpinCandidates = ({ setup, camera }: Place): Candidate[] =>
  PIN_PATHS.flatMap(([dial, path]): Candidate[] =>
    setup.camera.pins[dial] === null
      ? []
      : [
          {
            id: `unpin-${dial}`,
            title: `Let the ${PIN_NAMES[dial]} follow`,
            effect: `${dial === 'av' ? camera.text.aperture : dial === 'tv' ? camera.text.shutter : camera.text.iso} is pinned by hand`,
            settings: [{ path, value: null }],
          },
        ],
  );

/** Another look: darker or brighter ambient by so many stops, by what the exposure is set by. */
function lookCandidate({ setup: { look } }: Place, byStops: number): Candidate[] {
  const darker = byStops > 0;
  const within = (value: number, { least, most }: { least: number; most: number }) =>
    Math.min(most, Math.max(least, roundToStep(value, 0.1)));
  const id = darker ? 'more-hold-back' : 'less-hold-back';
  if (look.exposeBy === 'face') {
    const value = within(look.holdBackStops + byStops, HOLD_BACK_RANGE);
    return [
      {
        id,
        title: `Hold the ambient back ${formatStopCount(value)} stops instead`,
        effect: `The ambient on the face sits ${darker ? 'darker' : 'brighter'}; flash share ${formatShare(shareFromHoldBack(value))}`,
        settings: [{ path: 'look.holdBackStops', value }],
      },
    ];
  }
  if (look.exposeBy === 'background') {
    const value = within(look.backgroundStops - byStops, LOOK_RANGES.background);
    return [
      {
        id,
        title: `Let the background land at ${formatStops(value)}`,
        effect: `All of the ambient sits ${sayStops(-byStops)}`,
        settings: [{ path: 'look.backgroundStops', value }],
      },
    ];
  }
  const value = within(look.headroomStops + byStops, LOOK_RANGES.headroom);
  return [
    {
      id,
      title: `Leave the highlight ${formatStopCount(value)} stops of headroom`,
      effect: `All of the ambient sits ${sayStops(-byStops)}`,
      settings: [{ path: 'look.headroomStops', value }],
    },
  ];
}

/** Adds up filters that are owned but not on, and picks the lightest stack that reaches the need, else the strongest. */
function filterStack({ setup, kit, needStops, step }: Place): Kit['filters'] {
  const free = offered(kit.filters)
    .filter(({ id }) => !setup.camera.filterIds.includes(id))
    .slice(0, 8);
  const room = 6 - setup.camera.filterIds.length;
  const sum = (stack: Kit['filters']) => stack.reduce((total, { lossStops }) => total + lossStops, 0);
  const stacks = Array.from({ length: 2 ** free.length - 1 }, (_, index) =>
    free.filter((_filter, bit) => ((index + 1) >> bit) & 1),
  ).filter(({ length }) => length <= room);
  // what is left must round away on the camera's dials
  const enough = stacks.filter((stack) => sum(stack) > needStops - step / 2 + 1e-6);
  const best = (list: Kit['filters'][], better: (a: number, b: number) => boolean) =>
    list.reduce<Kit['filters'] | undefined>(
      (found, stack) => (found === undefined || better(sum(stack), sum(found)) ? stack : found),
      undefined,
    );
  return best(enough, (a, b) => a < b) ?? best(stacks, (a, b) => a > b) ?? [];
}

const filterEffect = (stack: Kit['filters']): string =>
  `Keeps the aperture${stack.some(({ kind }) => kind === 'polariser') ? '; the polariser darkens blue sky, most at 90° from the sun, and takes reflections away' : ''}`;

function tooBright(place: Place): Candidate[] {
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
      title: `Stop down to ${formatAperture(av, body.increment)}`,
      effect: 'More depth of field',
      settings: apertureSettings(place, av),
    },
  ];
  if (stack.length > 0)
    candidates.push({
      id: 'nd',
      title: `Put on ${stack.map(({ name }) => name).join(' + ')}`,
      effect: filterEffect(stack),
      settings: [{ path: 'camera.filterIds', value: [...setup.camera.filterIds, ...stack.map(({ id }) => id)] }],
    });
  candidates.push(...highSpeedSyncCandidate(place));
  if (limits.baseSv > body.baseSv)
    candidates.push({
      id: 'lower-iso',
      title: `Lower the ISO to ${formatIso(body.baseSv)}`,
      effect: "The camera's own base ISO",
      settings: [{ path: 'camera.limits.baseSv', value: null }],
    });
  if (body.extendedLowSv !== null && limits.baseSv > body.extendedLowSv)
    candidates.push({
      id: 'extended-iso',
      title: `Extended ${formatIso(body.extendedLowSv)}`,
      effect: `Highlights clip ${formatStopCount(body.baseSv - body.extendedLowSv)} stops earlier`,
      settings: [{ path: 'camera.limits.baseSv', value: body.extendedLowSv }],
    });
  if (setup.camera.keepOrder[0] === 'shutter' && setup.camera.wantedTv !== null)
    candidates.push({
      id: 'faster-shutter',
      title: `Faster shutter, up to sync ${formatShutter(floorToStep(limits.safeSyncTv, step), body.increment)}`,
      effect: 'Darkens the ambient alone; the flash stays',
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
      title: `Faster shutter, ${formatShutter(tv, body.increment)}, in high-speed sync`,
      effect: `Keeps the aperture; costs this flash ${formatStopCount(highSpeedSyncLossStops(entryLossStops, tv - camera.tv))} stops, so it does not gain on the sun`,
      settings: [{ path: 'camera.highSpeedSync', value: true }],
    },
  ];
}

function tooDark(place: Place): Candidate[] {
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
      title: `Take ${camera.text.filters ?? 'the filter'} off`,
      effect: 'Keeps the aperture',
      settings: [{ path: 'camera.filterIds', value: [] }],
    });
  if (setup.camera.support === 'hand')
    candidates.push({
      id: 'tripod',
      title: 'Put the camera on a tripod',
      effect: `Only ${MOTION_LIMITS[setup.camera.motion].words} limit the shutter then`,
      settings: [
        { path: 'camera.support', value: 'tripod' },
        ...(setup.camera.limits.slowestTv === null ? [] : [{ path: 'camera.limits.slowestTv' as const, value: null }]),
      ],
    });
  if (setup.camera.video === null)
    candidates.push({
      id: 'slower-shutter',
      title: `Slower shutter, ${formatShutter(slower, body.increment)}, on a tripod`,
      effect: 'People must hold still',
      settings: [{ path: 'camera.limits.slowestTv', value: slower }],
    });
  candidates.push(
    {
      id: 'open-up',
      title: `Open up to ${formatAperture(wider, body.increment)}`,
      effect: 'Less depth of field',
      settings: apertureSettings(place, wider),
    },
    {
      id: 'higher-iso',
      title: `Raise the ISO to ${formatIso(higher)}`,
      effect: 'More noise than you allowed',
      settings: [{ path: 'camera.limits.highestSv', value: higher }],
    },
  );
  return [...candidates, ...unpinCandidates(place), ...lookCandidate(place, needStops)];
}

/** The camera could, but the ambient leaves the flash nothing to do: only a darker picture of it helps. */
const noFlash = (place: Place): Candidate[] => [
  ...lookCandidate(place, ceilToStep(place.needStops, 0.1)),
  ...(place.setup.look.exposeBy === 'face'
    ? []
    : [
        {
          id: 'expose-for-face',
          title: `Expose for the face, ambient ${formatStopCount(place.setup.look.holdBackStops)} under`,
          effect: 'The background goes where it goes',
          settings: [{ path: 'look.exposeBy' as const, value: 'face' }],
        },
      ]),
  ...unpinCandidates(place),
];

function power(place: Place, weak: boolean): Candidate[] {
  const {
    setup,
    kit,
    now: { light },
    camera,
    gear: { body, lens },
    step,
    needStops,
  } = place;
  if (light === null) return [];
  const path = (field: LightField) => lightPath(light.index, field);
  const candidates: Candidate[] = [];
  candidates.push(...moveLight(place, weak));
  const otherLoss = light.config.modifier.lossStops;
  for (const modifier of offered(kit.modifiers).filter(
    ({ id, lossStops }) =>
      id !== light.light.modifierId && (weak ? lossStops <= otherLoss - 0.3 : lossStops >= otherLoss + 0.3),
  ))
    candidates.push({
      id: `modifier-${modifier.id}`,
      title: `Change to ${modifier.name}`,
      effect: weak ? 'Less diffusion, another quality of light' : 'More diffusion, another quality of light',
      settings: [{ path: path('modifierId'), value: modifier.id }],
    });
  const spare = offered(kit.flashUnits).filter(({ id }) => !setup.lights.some(({ unitId }) => unitId === id));
  for (const unit of spare)
    candidates.push({
      id: `unit-${unit.id}`,
      title: `Change to ${unit.name}`,
      effect: weak ? 'A stronger unit, with its own scale' : 'A weaker unit, with its own scale',
      settings: [
        { path: path('unitId'), value: unit.id },
        { path: path('outlet'), value: null },
        { path: path('zoomMm'), value: null },
        { path: path('dialledStops'), value: null },
      ],
    });
  if (weak && light.light.gelIds.length > 0)
    candidates.push({
      id: 'gels-off',
      title: 'Take the gel off',
      effect: 'The flash is as cool as its tube again',
      settings: [{ path: path('gelIds'), value: [] }],
    });
  if (weak && light.light.gridId !== null)
    candidates.push({
      id: 'grid-off',
      title: 'Take the grid off',
      effect: 'A wider beam, more spill',
      settings: [{ path: path('gridId'), value: null }],
    });
  const limits = limitsInForce(body, lens, setup.camera);
  if (weak) {
    if (camera.tv < limits.safeSyncTv)
      candidates.push(...isoForFlash(place, needStops), ...widerForFlash(place, needStops));
    if (setup.camera.filterIds.length > 0)
      candidates.push({
        id: 'filters-off',
        title: `Take ${camera.text.filters ?? 'the filter'} off`,
        effect: 'Gives the flash its light back',
        settings: [{ path: 'camera.filterIds', value: [] }],
      });
    if (setup.camera.highSpeedSync)
      candidates.push({
        id: 'leave-high-speed-sync',
        title: 'Leave high-speed sync',
        effect: 'The shutter stays at sync',
        settings: [{ path: 'camera.highSpeedSync', value: false }],
      });
  } else {
    const av = Math.min(floorToStep(aperturesOf(place).smallest, step), ceilToStep(camera.av + needStops, step));
    if (av > camera.av)
      candidates.push({
        id: 'stop-down',
        title: `Stop down to ${formatAperture(av, body.increment)}, shutter follows`,
        effect: 'More depth of field',
        settings: apertureSettings(place, av),
      });
  }
  return [...candidates, ...lookCandidate(place, weak ? -0.5 : 0.5)];
}

/** The light nearer or farther, just as far as the need. */
function moveLight({ kit, now: { light }, needStops }: Place, weak: boolean): Candidate[] {
  if (light === null) return [];
  const distanceM = distanceForChange(
    light.config.modifier.shape,
    light.light.distanceM,
    weak ? needStops + 0.05 : -needStops - 0.05,
  );
  if (distanceM === undefined) return [];
  const rounded = Math.max(0.3, (weak ? Math.floor(distanceM * 20 + 1e-6) : Math.ceil(distanceM * 20 - 1e-6)) / 20);
  return [
    {
      id: weak ? 'closer' : 'farther',
      title: `Move the light ${weak ? 'in' : 'out'} to ${formatDistance(rounded, kit.preferences.distanceUnit)}`,
      effect: weak ? 'Softer; falls off faster behind the face' : 'Harder; falls off more slowly',
      settings: [{ path: lightPath(light.index, 'distanceM'), value: rounded }],
    },
  ];
}

/** The light nearer, by so many stops. */
export const closerForFlash = (place: Place, needStops: number): Candidate[] =>
  moveLight({ ...place, needStops }, true);

/** A higher base for the ISO; the shutter then makes up for it as far as sync lets it. */
export function isoForFlash({ setup, gear: { body, lens }, step }: Place, needStops: number): Candidate[] {
  const limits = limitsInForce(body, lens, setup.camera);
  const sv = Math.min(floorToStep(limits.highestSv, step), ceilToStep(limits.baseSv + needStops, step));
  return sv <= limits.baseSv
    ? []
    : [
        {
          id: 'iso-for-flash',
          title: `Raise the ISO to ${formatIso(sv)}, shutter follows`,
          effect: 'More noise; the ambient stays where it is, up to sync',
          settings: [{ path: 'camera.limits.baseSv', value: sv }],
        },
      ];
}

/** A wider aperture; the shutter then makes up for it as far as sync lets it. */
export function widerForFlash(place: Place, needStops: number): Candidate[] {
  const {
    camera,
    gear: { body },
    step,
  } = place;
  const av = Math.max(ceilToStep(aperturesOf(place).widest, step), floorToStep(camera.av - needStops, step));
  return av >= camera.av
    ? []
    : [
        {
          id: 'wider-for-flash',
          title: `Open up to ${formatAperture(av, body.increment)}, shutter follows`,
          effect: 'Less depth of field; the ambient stays where it is, up to sync',
          settings: apertureSettings(place, av),
        },
      ];
}

/** The place in which candidates are thought of; null before there are camera settings. */
export const placeOf = (setup: Setup, kit: Kit, now: Balance, needStops: number): Place | null =>
  now.camera === null || now.gear === null
    ? null
    : {
        setup,
        kit,
        now,
        camera: now.camera,
        gear: now.gear,
        step: INCREMENT_STOPS[now.gear.body.increment],
        needStops,
      };

/** What may help against a trouble, in the usual order of preference. */
export function candidatesFor(trouble: Trouble, place: Place): Candidate[] {
  switch (trouble.kind) {
    case 'too bright':
      return tooBright(place);
    case 'too dark':
      return tooDark(place);
    case 'no flash':
      return noFlash(place);
    default:
      return power(place, trouble.kind === 'too weak');
  }
}
