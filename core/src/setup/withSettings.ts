import { schemaFault } from '../gear';
import { failure, type Outcome, success } from '../photometry';
import { type PlacedLamp, placedLampSchema } from './light';
import { lightPath, lightSetting, type Node, type Setting, type SettingFault, type SettingPath } from './settings';
import { type Setup, setupSchema, type TakenOver } from './setup';

/** Settings with what follows from them, so that every way to change a setup changes that too. */
export function completed(setup: Setup, settings: readonly Setting[]): Setting[] {
  const isSet = (path: SettingPath) => settings.some((one) => one.path === path);
  const followed = settings.flatMap((setting): Setting[] => [setting, ...placeSaid(setting, isSet)]);
  return [...followed, ...released(setup, settings, isSet), ...touched(setup, settings, isSet)];
}

type IsSet = (path: SettingPath) => boolean;

/** Whoever sets a light's distance has said where it stands. */
function placeSaid({ path }: Setting, isSet: IsSet): Setting[] {
  const light = lightSetting(path);
  if (light?.field !== 'distanceM') return [];
  const said = lightPath(light.index, 'placeSaid');
  return isSet(said) ? [] : [{ path: said, value: true }];
}

/** What is said of the camera without wishing for other settings. */
const NO_WISH: readonly SettingPath[] = ['camera.stands', 'camera.secondCameraId'];

/** Whether settings ask for another picture of the camera: another look, other limits, a first light or no light any more. */
function wishes(setup: Setup, { path, value }: Setting): boolean {
  if (path === 'lights') return Array.isArray(value) && (value.length === 0) !== (setup.lights.length === 0);
  if (path === 'lamps') return Array.isArray(value) && rolesOf(value) !== rolesOf(setup.lamps);
  const [head] = path.split('.');
  return (head === 'look' || head === 'camera') && !NO_WISH.includes(path);
}

/** What lamps are asked to do. */
const rolesOf = (lamps: readonly unknown[]): string =>
  lamps
    .map((lamp) => placedLampSchema.shape.role.safeParse((lamp as Partial<PlacedLamp> | null)?.role).data ?? '')
    .join();

/** What is dialled on the camera stays so; once something else is wished for, the figures are for that. */
function released(setup: Setup, settings: readonly Setting[], isSet: IsSet): Setting[] {
  const { stands } = setup.camera;
  if (stands === null || isSet('camera.stands')) return [];
  const whole = isSet('camera');
  if (!whole && !(stands.inForce && settings.some((one) => wishes(setup, one)))) return [];
  return [{ path: 'camera.stands', value: { ...stands, inForce: false } }];
}

/** The part that a setting belongs to, of those that may be taken over. */
const PART_OF: Partial<Record<string, TakenOver>> = { camera: 'camera', lights: 'lights' };

/** What is changed by hand is not merely taken over any more. */
function touched({ takenOver }: Setup, settings: readonly Setting[], isSet: IsSet): Setting[] {
  if (takenOver.length === 0 || isSet('takenOver')) return [];
  const left = takenOver.filter((part) => settings.every(({ path }) => PART_OF[path.split('.')[0] ?? ''] !== part));
  return left.length === takenOver.length ? [] : [{ path: 'takenOver', value: left }];
}

/** A copy with the value at a path; what the path does not touch is shared. `undefined` where there is no such place. */
function withValue(node: Node, [key = '', ...rest]: string[], value: unknown): Node | undefined {
  const inside =
    rest.length === 0
      ? value
      : node[key] === undefined || node[key] === null
        ? undefined
        : withValue(node[key] as Node, rest, value);
  if (inside === undefined) return undefined;
  if (Array.isArray(node))
    return node.map((one: unknown, index) => (String(index) === key ? inside : one)) as unknown as Node;
  return { ...node, [key]: inside };
}

/**
 * A copy of the setup with these settings changed, and what follows from them. Each part that was touched is checked against
 * its schema; the rest was a setup's already and is shared with it.
 * @returns the new setup, or what is wrong with a value
 */
export function withSettings(setup: Setup, settings: readonly Setting[]): Outcome<Setup, SettingFault> {
  let copy: Node = setup;
  const touched = new Set<string>();
  for (const { path, value } of completed(setup, settings)) {
    const keys = path.split('.');
    const next = withValue(copy, keys, value);
    if (next === undefined) return failure({ kind: 'no-such-setting', path });
    copy = next;
    touched.add(keys[0] ?? '');
  }
  for (const key of touched) {
    const parsed = setupSchema.shape[key as keyof typeof setupSchema.shape].safeParse(copy[key]);
    if (!parsed.success) return failure(schemaFault(parsed.error));
    copy = { ...copy, [key]: parsed.data };
  }
  return success(copy as Setup);
}
