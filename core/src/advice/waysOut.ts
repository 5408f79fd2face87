import { type Balance, balance } from '../balance';
import { sharpZoneM } from '../exposure';
import type { Kit } from '../gear';
import { type CheaperSetting, stayingPower } from '../lights';
import type { MeteredScene } from '../metering';
import { formatDistance, formatIso, formatStopCount, formatStops, sayStops } from '../notation';
import { type Setup, withSettings } from '../setup';
import { sayLookAs } from '../words';
import {
  type Candidate,
  candidatesFor,
  closerForFlash,
  highSpeedSyncCandidate,
  isoForFlash,
  placeOf,
  widerForFlash,
} from './candidates';
import { leftOf, seenFrom, type Trouble, troubleOf } from './trouble';
import type { NotHelping, WayOut } from './wayOut';

/** Takes away less than this: not worth a card. */
const LEAST_HELP_STOPS = 0.05;

const stopsWord = (stops: number) => `${formatStopCount(stops)} ${formatStopCount(stops) === '1.0' ? 'stop' : 'stops'}`;

/** The price in flash of going from one state to another, in the unit's own words. */
function flashPrice(before: Balance, after: Balance): string {
  const from = before.light?.solution;
  const to = after.light?.solution;
  if (!to || !after.light) return 'no flash chosen';
  if (to.exactPowerStops === null) return 'no flash can help there';
  const where =
    to.outOfRange === null
      ? (to.powerText ?? '')
      : `out of reach, ${stopsWord(to.outOfRange.byStops)} ${to.outOfRange.direction}`;
  if (!from || from.exactPowerStops === null) return where;
  const change = to.exactPowerStops - from.exactPowerStops;
  return Math.abs(change) < 0.05
    ? `${where}, unchanged`
    : `${where} (needs ${stopsWord(change)} ${change > 0 ? 'more' : 'less'})`;
}

const seconds = (s: number): string => (s < 0.05 ? 'at once' : `${s < 10 ? s.toFixed(1) : Math.round(s)} s`);

function recyclePrice(before: Balance, after: Balance): string | null {
  const [from, to] = [before.light?.solution?.recycleS ?? null, after.light?.solution?.recycleS ?? null];
  if (to === null) return null;
  return from === null || Math.abs(from - to) < 0.05 ? seconds(to) : `${seconds(to)} (now ${seconds(from)})`;
}

/** What a change of aperture does to the depth: the sharp zone where the people's distances are known. */
function depthPrice(before: Balance, after: Balance, unit: Kit['preferences']['distanceUnit']): string {
  const [from, to] = [before.camera, after.camera];
  if (from === null || to === null || Math.abs(to.av - from.av) < 1e-6) return 'unchanged';
  const deeper = to.av > from.av;
  const known = before.depth ?? after.depth;
  const words = `${to.text.aperture}, ${stopsWord(to.av - from.av)} ${deeper ? 'smaller: deeper' : 'wider: shallower'}`;
  if (known === null) return words;
  const zone = sharpZoneM(to.av, known.focusM, known.focalMm, known.circleMm);
  return `${words}, sharp from ${formatDistance(zone.nearM, unit)} ${zone.farM === null ? 'to infinity' : `to ${formatDistance(zone.farM, unit)}`}`;
}

function noisePrice(before: Balance, after: Balance): string {
  const [from, to] = [before.camera, after.camera];
  if (from === null || to === null || Math.abs(to.sv - from.sv) < 1e-6) return 'unchanged';
  return `${formatIso(to.sv)}, ${stopsWord(to.sv - from.sv)} ${to.sv > from.sv ? 'noisier' : 'cleaner'}`;
}

function lookPrice(before: Balance, after: Balance, way: Kit['preferences']['lookWay']): string {
  const [from, to] = [before.look, after.look];
  const change = (to.holdBackStops ?? 0) - (from.holdBackStops ?? 0);
  if (Math.abs(change) < 0.05) return 'unchanged';
  return `ambient ${sayStops(-change)} than wanted${to.wanted === null ? '' : `, ${sayLookAs(to.wanted.holdBackStops, way)}`}`;
}

/** The figures of a state that a card promises. */
const figuresOf = (after: Balance): WayOut['after'] => ({
  settings:
    after.camera === null
      ? ''
      : [after.camera.text.shutter, after.camera.text.aperture, after.camera.text.iso, after.camera.text.filters]
          .filter((part) => part !== null)
          .join(', '),
  ev100: after.camera?.ev100 ?? null,
  lightId: after.light?.light.id ?? null,
  powerText: after.light?.solution?.powerText ?? null,
  exactPowerStops: after.light?.solution?.exactPowerStops ?? null,
  faceStops: after.face?.totalStops ?? null,
  backgroundStops: after.points.find(({ role }) => role === 'background')?.placedStops ?? null,
});

/** What takes light off or puts light on the scene has no setting: it asks for a new reading. */
function sceneWays({ kind, byStops, cures }: Trouble, now: Balance): WayOut[] {
  if (cures === 'power' || kind === 'too strong' || kind === 'too weak') return [];
  const way = (id: string, title: string, price: string, asks: WayOut['asks']): WayOut => ({
    id,
    cures,
    title,
    effect: price,
    helpsStops: byStops,
    solves: true,
    settings: [],
    asks,
    effects: null,
    after: figuresOf(now),
  });
  const need = `${formatStopCount(byStops)} stops`;
  if (kind === 'too dark')
    return [
      way(
        'more-ambient',
        'Move into more light',
        `Needs ${need} more ambient on the face; then meter again.`,
        'subject-moved',
      ),
      way('wait-darker', 'Wait for more light', `Needs ${need} more; then meter again.`, 'sun'),
    ];
  return [
    way(
      'shade',
      'Open shade',
      `Needs ${need} less light on the face; then meter again. The flash needs no more for it.`,
      'subject-moved',
    ),
    way(
      'turn',
      'Turn the face from the light',
      `Needs ${need} less light on the face; then meter again. The background stays.`,
      'head-turned',
    ),
    way(
      'diffuser',
      'Diffuser or flag over the subject',
      `A diffuser takes 1 to 2 stops off direct sun, a flag all of it; ${need} are needed. The background stays as it is. Then meter again.`,
      'reflector',
    ),
    way('wait', 'Wait for less light', `Needs ${need} less; then meter again.`, 'sun'),
  ];
}

/** What a way out does, tried on the setup itself. */
function tryOut({ settings }: Candidate, setup: Setup, kit: Kit, scene: MeteredScene): Balance | null {
  const changed = withSettings(setup, settings);
  return changed.ok ? balance(changed.value, kit, scene) : null;
}

/** Ways out, and what people reach for that does not help here. */
export interface Ways {
  waysOut: WayOut[];
  notHelping: NotHelping[];
}

/**
 * Every way out of a wish that the camera or the flash cannot meet, ranked: whole cures that the flash can follow first,
 * in the usual order of preference, then those that ask for a new reading, then partial ones. Each is tried on the setup
 * itself, so its figures are those one gets after tapping it; what does not help is not listed as helping.
 */
export function waysOut(setup: Setup, kit: Kit, scene: MeteredScene, asItIs: Balance): Ways {
  const trouble = troubleOf(asItIs);
  const now = seenFrom(asItIs, trouble?.lightId ?? null);
  const place = trouble === null ? null : placeOf(setup, kit, now, trouble.byStops);
  if (trouble === null || place === null) return { waysOut: [], notHelping: [] };
  const { lookWay, distanceUnit } = kit.preferences;
  const before = leftOf(trouble, now);

  const worked = candidatesFor(trouble, place).flatMap((candidate): WayOut[] => {
    const tried = tryOut(candidate, setup, kit, scene);
    if (tried === null) return [];
    const after = seenFrom(tried, trouble.lightId);
    const left = leftOf(trouble, after);
    const helpsStops = before - left;
    const reaches = after.light?.solution?.outOfRange?.direction !== 'too weak';
    // the way that costs the flash so much that it no longer reaches is no way out
    if (helpsStops < LEAST_HELP_STOPS || (candidate.id === 'high-speed-sync' && !reaches)) return [];
    const solves = left < 1e-9 && (trouble.cures === 'power' || reaches);
    return [
      {
        id: candidate.id,
        cures: trouble.cures,
        title: candidate.title,
        solves,
        helpsStops,
        settings: candidate.settings,
        asks: null,
        effect:
          left < 1e-9
            ? candidate.effect
            : `Helps ${formatStopCount(helpsStops)} of ${stopsWord(before)}. ${candidate.effect}`,
        effects: {
          depthOfField: depthPrice(now, after, distanceUnit),
          flash: flashPrice(now, after),
          recycle: recyclePrice(now, after),
          noise: noisePrice(now, after),
          look: lookPrice(now, after, lookWay),
        },
        after: figuresOf(after),
      },
    ];
  });
  const ranked = [
    ...worked.filter(({ solves }) => solves),
    ...sceneWays(trouble, now),
    ...worked.filter(({ solves }) => !solves),
  ];
  return { waysOut: ranked, notHelping: notHelping(trouble, now, { setup, kit, scene }, ranked) };
}

/** Changes that ask less of the lights and let them last for the planned pace: each is tried, and listed where it does. */
export function cheaperSettings(setup: Setup, kit: Kit, scene: MeteredScene, now: Balance): CheaperSetting[] {
  const need = stayingPower(setup, now.lights)?.cheaperByStops ?? 0;
  const place = need > 0 ? placeOf(setup, kit, now, need) : null;
  if (place === null) return [];
  return [...isoForFlash(place, need), ...widerForFlash(place, need), ...closerForFlash(place, need)].flatMap(
    ({ title, effect, settings }): CheaperSetting[] => {
      const after = tryOut({ id: '', title, effect, settings }, setup, kit, scene);
      const lasts =
        after !== null &&
        after.camera?.met === true &&
        after.lights.every(({ outOfRange }) => outOfRange === null) &&
        (stayingPower(setup, after.lights)?.cheaperByStops ?? 0) === 0;
      return lasts ? [{ title, effect, settings }] : [];
    },
  );
}

interface Documents {
  setup: Setup;
  kit: Kit;
  scene: MeteredScene;
}

/** Stops between what is wanted and what camera and flash reach together: how far the ambient is too bright and the flash too weak. */
const behindSun = (state: Balance): number =>
  (state.camera?.missing === 'too bright' ? state.camera.missingStops : 0) +
  (state.light?.solution?.outOfRange?.direction === 'too weak' ? state.light.solution.outOfRange.byStops : 0);

/** High-speed sync against the sun, a wider aperture for more flash, a higher ISO: tried here, and told with figures where they do not help. */
function notHelping(
  trouble: Trouble,
  now: Balance,
  { setup, kit, scene }: Documents,
  listed: readonly WayOut[],
): NotHelping[] {
  if (trouble.kind !== 'too bright' && trouble.kind !== 'too weak' && trouble.kind !== 'no flash') return [];
  const place = placeOf(setup, kit, now, Math.max(1, trouble.byStops));
  if (place === null) return [];
  const one: [Candidate[], string][] = [
    [highSpeedSyncCandidate(place), 'High-speed sync against the sun'],
    [widerForFlash(place, 1), 'A wider aperture for more flash'],
    [isoForFlash(place, 1), 'A higher ISO for more flash'],
  ];
  return one.flatMap(([candidates, title]): NotHelping[] =>
    candidates.flatMap((candidate) => {
      if (listed.some(({ id }) => id === candidate.id)) return [];
      const after = tryOut(candidate, setup, kit, scene);
      if (after === null) return [];
      const [from, to] = [behindSun(now), behindSun(after)];
      if (to < from - LEAST_HELP_STOPS) return [];
      const price =
        after.light?.solution?.outOfRange?.direction === 'too weak'
          ? ` The flash would be ${stopsWord(after.light.solution.outOfRange.byStops)} too weak.`
          : '';
      const why =
        candidate.id === 'high-speed-sync'
          ? `${candidate.effect}.${price}`
          : `Ambient and flash rise together, and the shutter, at ${now.camera?.text.shutter ?? 'its limit'}, cannot follow: ${Math.abs(to - from) < LEAST_HELP_STOPS ? `still ${stopsWord(from)} short` : `${stopsWord(from)} short become ${formatStops(to).replace('+', '')}`}.`;
      return [{ id: candidate.id, title, why }];
    }),
  );
}
