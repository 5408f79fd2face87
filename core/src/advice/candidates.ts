import type { Balance } from '../balance';
import { type CameraGear, type CameraSolution, limitsInForce } from '../exposure';
import { highSpeedSyncLossStops } from '../flash';
import { type Kit, offered } from '../gear';
import { distanceForChange } from '../modifiers';
import { AV_RANGE, formatAperture, formatIso, formatShutter, SV_RANGE, TV_RANGE } from '../notation';
import { ceilToStep, floorToStep, INCREMENT_STOPS, roundToStep } from '../photometry';
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
import type { Way } from './wayOut';

/** Something that may help: tried on the setup before it is listed. */
export interface Candidate {
  id: string;
  way: Way;
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
const DIAL_OF = { av: 'aperture', tv: 'shutter', sv: 'iso' } as const;

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
            way: {
              kind: 'unpin',
              dial: DIAL_OF[dial],
              pinnedText: dial === 'av' ? camera.text.aperture : dial === 'tv' ? camera.text.shutter : camera.text.iso,
            },
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
        way: { kind: 'hold-back', stops: value, darker },
        settings: [{ path: 'look.holdBackStops', value }],
      },
    ];
  }
  if (look.exposeBy === 'background') {
    const value = within(look.backgroundStops - byStops, LOOK_RANGES.background);
    return [
      {
        id,
        way: { kind: 'place-background', stops: value, byStops: -byStops },
        settings: [{ path: 'look.backgroundStops', value }],
      },
    ];
  }
  const value = within(look.headroomStops + byStops, LOOK_RANGES.headroom);
  return [
    {
      id,
      way: { kind: 'leave-headroom', stops: value, byStops: -byStops },
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
const noFlash = (place: Place): Candidate[] => [
  ...lookCandidate(place, ceilToStep(place.needStops, 0.1)),
  ...(place.setup.look.exposeBy === 'face'
    ? []
    : [
        {
          id: 'expose-for-face',
          way: { kind: 'expose-for-face' as const, holdBackStops: place.setup.look.holdBackStops },
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
      way: { kind: 'modifier', name: modifier.name, stronger: weak },
      settings: [{ path: path('modifierId'), value: modifier.id }],
    });
  const spare = offered(kit.flashUnits).filter(({ id }) => !setup.lights.some(({ unitId }) => unitId === id));
  for (const unit of spare)
    candidates.push({
      id: `unit-${unit.id}`,
      way: { kind: 'unit', name: unit.name, stronger: weak },
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
      way: { kind: 'gels-off' },
      settings: [{ path: path('gelIds'), value: [] }],
    });
  if (weak && light.light.gridId !== null)
    candidates.push({
      id: 'grid-off',
      way: { kind: 'grid-off' },
      settings: [{ path: path('gridId'), value: null }],
    });
  const limits = limitsInForce(body, lens, setup.camera);
  if (weak) {
    if (camera.tv < limits.safeSyncTv)
      candidates.push(...isoForFlash(place, needStops), ...widerForFlash(place, needStops));
    if (setup.camera.filterIds.length > 0)
      candidates.push({
        id: 'filters-off',
        way: { kind: 'filters-off', names: camera.text.filters, forFlash: true },
        settings: [{ path: 'camera.filterIds', value: [] }],
      });
    if (setup.camera.highSpeedSync)
      candidates.push({
        id: 'leave-high-speed-sync',
        way: { kind: 'leave-high-speed-sync' },
        settings: [{ path: 'camera.highSpeedSync', value: false }],
      });
  } else {
    const av = Math.min(floorToStep(aperturesOf(place).smallest, step), ceilToStep(camera.av + needStops, step));
    if (av > camera.av)
      candidates.push({
        id: 'stop-down',
        way: { kind: 'stop-down-for-flash', apertureText: formatAperture(av, body.increment) },
        settings: apertureSettings(place, av),
      });
  }
  return [...candidates, ...lookCandidate(place, weak ? -0.5 : 0.5)];
}

/** The light nearer or farther, just as far as the need. */
function moveLight({ now: { light }, needStops }: Place, weak: boolean): Candidate[] {
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
      way: { kind: weak ? 'closer' : 'farther', distanceM: rounded },
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
          way: { kind: 'iso-for-flash', isoText: formatIso(sv) },
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
          way: { kind: 'wider-for-flash', apertureText: formatAperture(av, body.increment) },
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
    case 'too-bright':
      return tooBright(place);
    case 'too-dark':
      return tooDark(place);
    case 'no-flash':
      return noFlash(place);
    default:
      return power(place, trouble.kind === 'too-weak');
  }
}
