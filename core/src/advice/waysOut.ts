import { type Balance, balance } from '../balance';
import { sharpZoneM } from '../exposure';
import type { Kit } from '../gear';
import { stayingPower } from '../lights';
import type { MeteredScene } from '../metering';
import { formatIso } from '../notation';
import { type Setting, type Setup, withSettings } from '../setup';
import { highSpeedSyncCandidate } from './brightAndDark';
import { type Candidate, placeOf } from './candidate';
import { candidatesFor } from './candidates';
import { closerForFlash, isoForFlash, widerForFlash } from './powerCandidates';
import type { Documents } from './documents';
import { sceneWays } from './sceneWays';
import { leftOf, seenFrom, type Trouble, troubleOf } from './trouble';
import type { CheaperSetting, NotHelping, WayOut, WayPrice } from './wayOut';

/** Takes away less than this: not worth a card. */
const LEAST_HELP_STOPS = 0.05;

/** The price in flash of going from one state to another. */
function flashPrice(before: Balance, after: Balance): WayPrice['flash'] {
  const from = before.light?.solution;
  const to = after.light?.solution;
  if (!to) return { kind: 'none-chosen' };
  if (to.exactPowerStops === null) return { kind: 'no-flash-can-help' };
  const changeStops = !from || from.exactPowerStops === null ? null : to.exactPowerStops - from.exactPowerStops;
  if (to.outOfRange === null) return { kind: 'power', powerText: to.powerText ?? '', changeStops };
  const { byStops, direction } = to.outOfRange;
  return { kind: 'out-of-reach', byStops, direction, changeStops };
}

function recyclePrice(before: Balance, after: Balance): WayPrice['recycle'] {
  const beforeS = before.light?.solution?.recycleS ?? null;
  const s = after.light?.solution?.recycleS ?? null;
  return s === null ? null : { s, beforeS: beforeS === null || Math.abs(beforeS - s) < 0.05 ? null : beforeS };
}

/** What a change of aperture does to the depth: the sharp zone where the people's distances are known. */
function depthPrice(before: Balance, after: Balance): WayPrice['depth'] {
  const [from, to] = [before.camera, after.camera];
  if (from === null || to === null || Math.abs(to.av - from.av) < 1e-6) return null;
  const known = before.depth ?? after.depth;
  return {
    apertureText: to.text.aperture,
    changeStops: to.av - from.av,
    sharp: known === null ? null : sharpZoneM(to.av, known.focusM, known.focalMm, known.circleMm),
  };
}

function noisePrice(before: Balance, after: Balance): WayPrice['noise'] {
  const [from, to] = [before.camera, after.camera];
  if (from === null || to === null || Math.abs(to.sv - from.sv) < 1e-6) return null;
  return { isoText: formatIso(to.sv), changeStops: to.sv - from.sv };
}

function lookPrice(before: Balance, after: Balance): WayPrice['look'] {
  const [from, to] = [before.look, after.look];
  const change = (to.holdBackStops ?? 0) - (from.holdBackStops ?? 0);
  return Math.abs(change) < LEAST_HELP_STOPS
    ? null
    : { changeStops: -change, holdBackStops: to.wanted?.holdBackStops ?? null };
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

const isTooWeak = ({ light }: Balance): boolean => light?.solution?.outOfRange?.direction === 'too-weak';

/** What a way out does, tried on the setup itself. */
function tryOut(settings: readonly Setting[], { setup, kit, scene }: Documents): Balance | null {
  const changed = withSettings(setup, settings);
  return changed.ok ? balance(changed.value, kit, scene) : null;
}

/** Ways out, and what people reach for that does not help here. */
export interface Ways {
  waysOut: WayOut[];
  notHelping: NotHelping[];
}

/**
 * Every way out of a wish that the camera or the flash cannot meet, ranked: first what leaves nothing in the way, in the
 * usual order of preference, then what cures this for another trouble, then partial cures; of each settings before hands.
 * Each is tried on the setup itself, so its figures are those one gets after it; what does not help is not listed as helping.
 */
export function waysOut(setup: Setup, kit: Kit, scene: MeteredScene, asItIs: Balance): Ways {
  const trouble = troubleOf(asItIs);
  const now = seenFrom(asItIs, trouble?.lightId ?? null);
  const place = trouble === null ? null : placeOf(setup, kit, now, trouble.byStops);
  if (trouble === null || place === null) return { waysOut: [], notHelping: [] };
  const before = leftOf(trouble, now);

  const documents = { setup, kit, scene };
  const priceOf = (after: Balance): WayPrice => ({
    depth: depthPrice(now, after),
    flash: flashPrice(now, after),
    recycle: recyclePrice(now, after),
    noise: noisePrice(now, after),
    look: lookPrice(now, after),
  });
  const worked = candidatesFor(trouble, place).flatMap((candidate): WayOut[] => {
    const tried = tryOut(candidate.settings, documents);
    if (tried === null) return [];
    const after = seenFrom(tried, trouble.lightId);
    const left = leftOf(trouble, after);
    const helpsStops = before - left;
    // the way that costs the flash so much that it no longer reaches is no way out
    if (helpsStops < LEAST_HELP_STOPS || (candidate.id === 'high-speed-sync' && isTooWeak(after))) return [];
    return [
      {
        id: candidate.id,
        cures: trouble.cures,
        way: candidate.way,
        solves: left < 1e-9 && troubleOf(after) === null,
        helpsStops,
        settings: candidate.settings,
        asks: null,
        ofStops: left < 1e-9 ? null : before,
        price: priceOf(after),
        after: figuresOf(after),
      },
    ];
  });
  const byHand = sceneWays(trouble, documents, now).map(({ kind, asks, needStops, after, solves }): WayOut => ({
    id: kind,
    cures: trouble.cures,
    way: { kind, needStops },
    solves,
    helpsStops: trouble.byStops,
    settings: [],
    asks,
    ofStops: null,
    price: priceOf(after),
    after: figuresOf(after),
  }));
  const ranked = [...inOrderOfKeeping(worked, setup), ...byHand].sort(
    (a, b) => tierOf(a) - tierOf(b) || Number(a.asks !== null) - Number(b.asks !== null),
  );
  return { waysOut: ranked, notHelping: notHelping(trouble, now, documents, ranked) };
}

/** What leaves nothing in the way stands before what cures this trouble for another one, and that before what helps in part. */
const tierOf = ({ solves, ofStops }: WayOut): number => (solves ? 0 : ofStops === null ? 1 : 2);

/**
 * A filter keeps all three dials, high-speed sync gives the shutter up; which of them stands first is decided by what is
 * kept: the shutter where it is not the last to be kept, else the power of the flash.
 */
function inOrderOfKeeping(ways: readonly WayOut[], { camera: { keepOrder } }: Setup): WayOut[] {
  const nd = ways.findIndex(({ id }) => id === 'nd');
  const sync = ways.findIndex(({ id }) => id === 'high-speed-sync');
  const [filter, fast] = [ways[nd], ways[sync]];
  if (filter === undefined || fast === undefined) return [...ways];
  const power = ({ after }: WayOut) => after.exactPowerStops ?? 0;
  const filterFirst = keepOrder.at(-1) !== 'shutter' || power(filter) <= power(fast);
  const [first, second] = filterFirst ? [filter, fast] : [fast, filter];
  const [front, back] = [Math.min(nd, sync), Math.max(nd, sync)];
  return ways.map((way, index) => (index === front ? first : index === back ? second : way));
}

/**
 * Changes that ask less of the lights and let them last for the planned pace: each is tried, and listed where it
 * does. @param temperatureC of the air, for batteries; null: not known
 */
export function cheaperSettings(
  setup: Setup,
  kit: Kit,
  scene: MeteredScene,
  now: Balance,
  temperatureC: number | null,
): CheaperSetting[] {
  const lacking = ({ usable, lights }: Balance) =>
    stayingPower(setup, usable, lights, temperatureC)?.cheaperByStops ?? 0;
  const need = lacking(now);
  const documents = { setup, kit, scene };
  const place = need > 0 ? placeOf(setup, kit, now, need) : null;
  if (place === null) return [];
  return [...isoForFlash(place, need), ...widerForFlash(place, need), ...closerForFlash(place, need)].flatMap(
    ({ way, settings }): CheaperSetting[] => {
      const after = tryOut(settings, documents);
      const lasts =
        after !== null &&
        after.camera?.met === true &&
        after.lights.every(({ outOfRange }) => outOfRange === null) &&
        lacking(after) === 0;
      return lasts ? [{ way, settings }] : [];
    },
  );
}

/**
 * Stops between what is wanted and what camera and flash reach together: how far the ambient is too bright and
 * the flash too weak.
 */
const behindSun = (state: Balance): number =>
  (state.camera?.missing === 'too-bright' ? state.camera.missingStops : 0) +
  (state.light?.solution?.outOfRange?.direction === 'too-weak' ? state.light.solution.outOfRange.byStops : 0);

/**
 * High-speed sync against the sun, a wider aperture for more flash, a higher ISO: tried here, and told with
 * figures where they do not help.
 */
function notHelping(trouble: Trouble, now: Balance, documents: Documents, listed: readonly WayOut[]): NotHelping[] {
  if (trouble.kind !== 'too-bright' && trouble.kind !== 'too-weak' && trouble.kind !== 'no-flash') return [];
  const place = placeOf(documents.setup, documents.kit, now, Math.max(1, trouble.byStops));
  if (place === null) return [];
  const reachedFor: Candidate[] = [
    ...highSpeedSyncCandidate(place),
    ...widerForFlash(place, 1),
    ...isoForFlash(place, 1),
  ].filter((candidate) => !listed.some(({ id }) => id === candidate.id));
  return reachedFor.flatMap(({ id, way, settings }): NotHelping[] => {
    const after = tryOut(settings, documents);
    if (after === null) return [];
    const [from, to] = [behindSun(now), behindSun(after)];
    // high-speed sync always stands somewhere, so that a filter can be held against it
    if (id !== 'high-speed-sync' && to < from - LEAST_HELP_STOPS) return [];
    const outOfRange = after.light?.solution?.outOfRange;
    return [
      {
        id,
        way,
        flashTooWeakStops: outOfRange?.direction === 'too-weak' ? outOfRange.byStops : null,
        shutterText: now.camera?.text.shutter ?? null,
        shortStops: from,
        thenShortStops: Math.abs(to - from) < LEAST_HELP_STOPS ? null : to,
      },
    ];
  });
}
