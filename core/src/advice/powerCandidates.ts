import { limitsInForce } from '../exposure';
import { offered } from '../gear';
import { distanceForChange } from '../modifiers';
import { formatAperture, formatIso } from '../notation';
import { ceilToStep, floorToStep } from '../photometry';
import { type LightField, lightPath } from '../setup';
import {
  apertureSettings,
  aperturesOf,
  type Candidate,
  lightestStack,
  lookCandidate,
  movedTo,
  type Place,
  unpinCandidates,
} from './candidate';

/** Where the ambient leaves no room for flash. */
export const noFlash = (place: Place): Candidate[] => [
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

/** Where a light is too weak, or too strong. */
export function power(place: Place, weak: boolean): Candidate[] {
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
  candidates.push(...otherModifiers(place, weak));
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
    candidates.push(...neutralOnHead(place), ...filterForFlash(place));
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

/** Modifiers of the kit that let more light through, or less: the one that does just enough, and the one that does most. */
function otherModifiers({ kit, now: { light }, needStops }: Place, weak: boolean): Candidate[] {
  if (light === null) return [];
  const ownLoss = light.config.modifier.lossStops;
  const others = offered(kit.modifiers)
    .filter(({ id }) => id !== light.light.modifierId)
    .map(({ id, name, lossStops }) => ({ id, name, byStops: weak ? ownLoss - lossStops : lossStops - ownLoss }))
    .filter(({ byStops }) => byStops >= WORTH_CHANGING_STOPS)
    .sort((one, other) => one.byStops - other.byStops);
  const enough = others.find(({ byStops }) => byStops >= needStops);
  return [...new Set([enough, others.at(-1)])].flatMap((one): Candidate[] =>
    one === undefined
      ? []
      : [
          {
            id: `modifier-${one.id}`,
            way: { kind: 'modifier', name: one.name, stronger: weak, byStops: one.byStops },
            settings: [{ path: lightPath(light.index, 'modifierId'), value: one.id }],
          },
        ],
  );
}
/** A modifier is not changed for less, stops. */
const WORTH_CHANGING_STOPS = 0.3;

const MOST_GELS = 4;

/** Neutral gels or cloth of the kit over the head: the lightest stack that takes enough, else the strongest. */
function neutralOnHead({ kit, now: { light }, needStops }: Place): Candidate[] {
  if (light === null) return [];
  const { gelIds } = light.light;
  const neutral = offered(kit.gels).filter(
    ({ id, shiftMired, greenCc, lossStops }) =>
      shiftMired === 0 && greenCc === 0 && lossStops > 0 && !gelIds.includes(id),
  );
  const stack = lightestStack(neutral, MOST_GELS - gelIds.length, needStops);
  if (stack.length === 0) return [];
  return [
    {
      id: 'neutral-on-head',
      way: { kind: 'neutral-on-head', names: stack.map(({ name }) => name) },
      settings: [{ path: lightPath(light.index, 'gelIds'), value: [...gelIds, ...stack.map(({ id }) => id)] }],
    },
  ];
}

/** A filter on the lens takes off flash and ambient alike; a slower shutter gives the ambient back. */
function filterForFlash(place: Place): Candidate[] {
  const { setup, kit, needStops } = place;
  const free = offered(kit.filters).filter(({ id, kind }) => kind === 'nd' && !setup.camera.filterIds.includes(id));
  const stack = lightestStack(free, 6 - setup.camera.filterIds.length, needStops);
  if (stack.length === 0) return [];
  return [
    {
      id: 'nd-for-flash',
      way: { kind: 'nd-for-flash', names: stack.map(({ name }) => name) },
      settings: [{ path: 'camera.filterIds', value: [...setup.camera.filterIds, ...stack.map(({ id }) => id)] }],
    },
  ];
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
      settings: movedTo(light.light, light.index, rounded),
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
