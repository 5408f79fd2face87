import { balance } from '../balance';
import { type Change, sameValue } from '../documents';
import type { Kit } from '../gear';
import { type Fact, meterScene } from '../metering';
import { type Setting, settingAt, type SettingPath, type Setup, withSettings } from '../setup';

/** How the light at a point changed since a moment. */
export interface LightSince {
  pointId: string;
  /** now over then, stops */
  changeStops: number;
  /** one standard deviation of it */
  sdStops: number;
}

/** An earlier state of a setup: what has become otherwise since, and what is to be dialled to be there again in this light. */
export interface ReturnPoint {
  atMs: number;
  /** the setup as it was then */
  then: Setup;
  /** what brings it back; empty: nothing was changed since */
  settings: Setting[];
  /** points that were known then and are known now */
  light: LightSince[];
  /** what that setup asks for in the light of now; null: not known */
  camera: { shutter: string; aperture: string; iso: string } | null;
  lights: { lightId: string; thenText: string | null; powerText: string | null }[];
}

/** Paths that lie in no other of them: a list that is put back whole brings its parts with it. */
const outermost = (paths: readonly SettingPath[]): SettingPath[] =>
  paths.filter((path) => paths.every((other) => !path.startsWith(`${other}.`)));

/**
 * A setup as it was at a moment: every change since is taken back in turn, the newest first.
 * @param changes all changes of the setup
 */
export function setupAsAt(setup: Setup, changes: readonly Change[], atMs: number): Setup {
  const since = changes
    .filter(({ setupId, at }) => setupId === setup.id && Date.parse(at) > atMs)
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at) || (a.id < b.id ? 1 : -1));
  return since.reduce((now, { settings }) => {
    const paths = outermost(settings.map(({ path }) => path));
    const back = settings.filter(({ path }) => paths.includes(path)).map(({ path, from }) => ({ path, value: from }));
    const before = withSettings(now, back);
    return before.ok ? before.value : now;
  }, setup);
}

/** What must be set so that a setup is as it was, whatever happened between. */
function settingsBack(setup: Setup, then: Setup, changes: readonly Change[]): Setting[] {
  const touched = changes.flatMap(({ settings }) => settings.map(({ path }) => path));
  return outermost([...new Set(touched)]).flatMap((path): Setting[] => {
    const [was, is] = [settingAt(then, path) ?? null, settingAt(setup, path) ?? null];
    return sameValue(was, is) ? [] : [{ path, value: was }];
  });
}

/**
 * The way back to an earlier state. Its wishes and places are as they were; camera and powers are solved anew in the light that is
 * there now.
 * @param facts readings and changes in the scene  @param changes all changes of the setup's settings
 */
export function returnPoint(
  setup: Setup,
  kit: Kit,
  facts: readonly Fact[],
  changes: readonly Change[],
  atMs: number,
  clock: Date,
): ReturnPoint {
  const before = facts.filter(({ at }) => Date.parse(at) <= atMs);
  const then = setupAsAt(setup, changes, atMs);
  const was = meterScene(then, kit, before, new Date(atMs));
  const is = meterScene(then, kit, facts, clock);
  const light = then.points.flatMap((point): LightSince[] => {
    const [old, now] = [was.ambientAt(point), is.ambientAt(point)];
    if (old.ambientEv100 === null || now.ambientEv100 === null) return [];
    const sdStops = Math.hypot(old.sdStops ?? 0, now.sdStops ?? 0);
    return [{ pointId: point.id, changeStops: now.ambientEv100 - old.ambientEv100, sdStops }];
  });
  const [solvedThen, solved] = [balance(then, kit, was), balance(then, kit, is)];
  return {
    atMs,
    then,
    settings: settingsBack(setup, then, changes),
    light,
    camera: solved.camera === null ? null : textOf(solved.camera.text),
    lights: solved.lights.map(({ lightId, powerText }) => ({
      lightId,
      thenText: solvedThen.lights.find((one) => one.lightId === lightId)?.powerText ?? null,
      powerText,
    })),
  };
}

const textOf = ({ shutter, aperture, iso }: { shutter: string; aperture: string; iso: string }) => ({
  shutter,
  aperture,
  iso,
});
