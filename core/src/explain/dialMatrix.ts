import type { Balance } from '../balance';
import { type CameraSolution, limitsInForce } from '../exposure';
import { type FlashUnit, highSpeedSyncLossStops, powerStepStops, snapPower } from '../flash';
import { type Camera, type Kit, type Lens, offered } from '../gear';
import type { UsableLight } from '../lights';
import { falloffStops } from '../modifiers';
import { formatStopCount } from '../notation';
import { addLight, INCREMENT_STOPS } from '../photometry';
import { lightPath, type Setting, type SettingPath, type Setup } from '../setup';

/** One control, a step of it, and what that step does to each source. */
export interface DialColumn {
  /** the same for the same control: `shutter`, `power:` and a light's id */
  dial: string;
  control: DialControl;
  step: DialStep;
  /** stops per step by source id; 0: it does nothing to it */
  stops: Record<string, number>;
  /** what taking the step changes in the documents; empty where the kit has nothing for it */
  settings: Setting[];
}

/** A control of the camera, of the lamps, or of one light; `letter` null: there is one light only. */
export type DialControl =
  | { kind: 'shutter' | 'aperture' | 'iso' | 'nd' | 'dimmer' }
  | { kind: 'power' | 'distance' | 'gel'; letter: string | null };

/** A step towards less light. */
export type DialStep =
  | { kind: 'faster' | 'smaller' | 'lower' | 'down'; sizeText: string }
  | { kind: 'farther'; distanceM: number }
  | { kind: 'put-on'; name: string }
  | { kind: 'one-stop-on' | 'none-owned' };

/** What gives light: daylight, lamps, or one light of the setup; `unitName` where it is the only one. */
export type DialSource =
  { id: string; kind: 'daylight' | 'lamps' } | { id: string; kind: 'light'; unitName: string | null };

/** Sources by controls, in stops per step towards less light; the other way is the same with the other sign. */
export interface DialMatrix {
  sources: DialSource[];
  columns: DialColumn[];
}

const DISTANCE_STEP_M = 0.25;

/** What a column is made from. */
interface Dials {
  setup: Setup;
  kit: Kit;
  now: Balance;
  camera: CameraSolution;
  body: Camera;
  lens: Lens | null;
}
/** A column but for what it moves. */
type Head = Pick<DialColumn, 'dial' | 'control' | 'step' | 'settings'>;

/** What is not flash: the daylight, and lamps with a dimmer. */
const STEADY = ['ambient', 'lamps'] as const;

/** A column that moves all steady light alike, and each flash by its unit. */
const ofExposure = (
  { now }: Dials,
  head: Head,
  steadyStops: number,
  flashStops: (unit: FlashUnit) => number = () => steadyStops,
): DialColumn => ({
  ...head,
  stops: Object.fromEntries([
    ...STEADY.map((id) => [id, steadyStops + 0] as const),
    ...now.usable.map(({ light: { id }, config: { unit } }) => [id, flashStops(unit) + 0] as const),
  ]),
});

/** A column that moves one source alone. */
const ofOne = ({ now }: Dials, head: Head, sourceId: string, stops: number): DialColumn => ({
  ...head,
  stops: Object.fromEntries(
    [...STEADY, ...now.usable.map(({ light: { id } }) => id)].map((id) => [id, id === sourceId ? stops + 0 : 0]),
  ),
});

/** Shutter, aperture, ISO and filter: a step darker each. */
function cameraColumns(dials: Dials): DialColumn[] {
  const { setup, camera, body, lens } = dials;
  const step = INCREMENT_STOPS[body.increment];
  const sizeText = formatStopCount(step, body.increment);
  const syncLoss = (entry: number, tv: number) => {
    const allowed = setup.camera.highSpeedSync && body.highSpeedSync && setup.camera.video === null;
    const beyondStops = tv - limitsInForce(body, lens, setup.camera).safeSyncTv;
    return highSpeedSyncLossStops(entry, allowed && beyondStops > 1e-9 ? beyondStops : 0);
  };
  // a dial at its end has no such step
  const pin = (path: SettingPath, value: number, isThere: boolean): Setting[] => (isThere ? [{ path, value }] : []);
  const smallestAv = lens?.smallestAv ?? body.smallestAv;
  const lowestSv = body.extendedLowSv ?? body.baseSv;
  return [
    ofExposure(
      dials,
      {
        dial: 'shutter',
        control: { kind: 'shutter' },
        step: { kind: 'faster', sizeText },
        settings: pin(
          'camera.pins.tv',
          camera.tv + step,
          setup.camera.video === null && camera.tv + step <= body.fastestTv + 1e-9,
        ),
      },
      -step,
      ({ highSpeedSyncLossStops: entry }) => syncLoss(entry ?? 0, camera.tv) - syncLoss(entry ?? 0, camera.tv + step),
    ),
    ofExposure(
      dials,
      {
        dial: 'aperture',
        control: { kind: 'aperture' },
        step: { kind: 'smaller', sizeText },
        settings: pin('camera.pins.av', camera.av + step, camera.av + step <= smallestAv + 1e-9),
      },
      -step,
    ),
    ofExposure(
      dials,
      {
        dial: 'iso',
        control: { kind: 'iso' },
        step: { kind: 'lower', sizeText },
        settings: pin('camera.pins.sv', camera.sv - step, camera.sv - step >= lowestSv - 1e-9),
      },
      -step,
    ),
    filterColumn(dials),
  ];
}

/** The weakest filter that is not on the lens yet; a stop of none where the kit has none. */
function filterColumn(dials: Dials): DialColumn {
  const { kit, setup } = dials;
  const { filterIds } = setup.camera;
  const nd = offered(kit.filters)
    .filter(({ id }) => !filterIds.includes(id))
    .sort((a, b) => a.lossStops - b.lossStops)[0];
  const settings: Setting[] =
    nd === undefined || filterIds.length >= 6 ? [] : [{ path: 'camera.filterIds', value: [...filterIds, nd.id] }];
  return ofExposure(
    dials,
    {
      dial: 'nd',
      control: { kind: 'nd' },
      step: nd === undefined ? { kind: 'one-stop-on' } : { kind: 'put-on', name: nd.name },
      settings,
    },
    -(nd?.lossStops ?? 1),
  );
}

/** The first lamp's dimmer; nothing where there is no lamp. */
function dimmerColumn(dials: Dials): DialColumn[] {
  const { lamps } = dials.setup;
  const [lamp] = lamps;
  if (lamp === undefined) return [];
  const step = INCREMENT_STOPS[dials.body.increment];
  const dimmed = { ...lamp, dimStops: Math.max(-10, lamp.dimStops - step) };
  return [
    ofOne(
      dials,
      {
        dial: 'dimmer',
        control: { kind: 'dimmer' },
        step: { kind: 'down', sizeText: formatStopCount(step, dials.body.increment) },
        settings: [{ path: 'lamps', value: lamps.map((each) => (each.id === lamp.id ? dimmed : each)) }],
      },
      'lamps',
      -step,
    ),
  ];
}

/** Power, distance and gel of one light. */
function lightColumns(dials: Dials, { index, light, config: { unit, modifier } }: UsableLight): DialColumn[] {
  const { setup, kit, now } = dials;
  const solution = now.lights.find(({ lightId }) => lightId === light.id);
  const letter = now.usable.length === 1 ? null : light.group;
  const farther = Math.min(30, light.distanceM + DISTANCE_STEP_M);
  const power = powerStepStops(unit.scale);
  const gel = offered(kit.gels)
    .filter(({ id, lossStops }) => !light.gelIds.includes(id) && lossStops > 0)
    .sort((p, q) => p.lossStops - q.lossStops)[0];
  const held = (powerStops: number): Setting[] => [
    { path: lightPath(index, 'dialledStops'), value: snapPower(unit.scale, powerStops) },
    { path: lightPath(index, 'locked'), value: true },
  ];
  const ownPower = solution?.powerStops == null ? [] : held(solution.powerStops - power);
  return [
    ofOne(
      dials,
      {
        dial: `power:${light.id}`,
        control: { kind: 'power', letter },
        step: { kind: 'down', sizeText: formatStopCount(power, unit.scale.step) },
        settings: light.id === now.light?.light.id ? powerSettings(setup, now, -power) : ownPower,
      },
      light.id,
      -(power - Math.min(power, solution?.tailLossStops ?? 0)),
    ),
    ofOne(
      dials,
      {
        dial: `distance:${light.id}`,
        control: { kind: 'distance', letter },
        step: { kind: 'farther', distanceM: farther },
        settings: [{ path: lightPath(index, 'distanceM'), value: farther }],
      },
      light.id,
      -falloffStops(modifier.shape, light.distanceM, farther),
    ),
    ofOne(
      dials,
      {
        dial: `gel:${light.id}`,
        control: { kind: 'gel', letter },
        step: gel === undefined ? { kind: 'none-owned' } : { kind: 'put-on', name: gel.name },
        settings:
          gel === undefined || light.gelIds.length >= 4
            ? []
            : [{ path: lightPath(index, 'gelIds'), value: [...light.gelIds, gel.id] }],
      },
      light.id,
      -(gel?.lossStops ?? 0),
    ),
  ];
}

/**
 * Which dial does only the thing wanted: the change of every source at the face for one step of every control.
 * Shutter, aperture, ISO and filter act on the ambient, on lamps and on LED panels alike; the shutter does not act on
 * flash below sync, and does in high-speed sync, where each stop of it takes a stop of flash.
 */
export function dialMatrix(setup: Setup, kit: Kit, now: Balance): DialMatrix | null {
  const { camera, gear } = now;
  if (camera === null || gear === null) return null;
  const dials: Dials = { setup, kit, now, camera, body: gear.body, lens: gear.lens };
  return {
    sources: [
      { id: 'ambient', kind: 'daylight' },
      { id: 'lamps', kind: 'lamps' },
      ...now.usable.map(({ light, config: { unit } }): DialSource => ({
        id: light.id,
        kind: 'light',
        unitName: now.usable.length === 1 ? unit.name : null,
      })),
    ],
    columns: [
      ...cameraColumns(dials),
      ...dimmerColumn(dials),
      ...now.usable.flatMap((one) => lightColumns(dials, one)),
    ],
  };
}

/** A step of power is another look: the face ends up elsewhere, and the ambient on it stays where it is. */
function powerSettings({ look }: Setup, { face, light }: Balance, powerStops: number): Setting[] {
  const flashStops = light?.solution?.flashStops ?? null;
  if (face?.ambientStops == null || flashStops === null) return [];
  const finalStops = addLight(face.ambientStops, flashStops + powerStops);
  const settings: Setting[] = [{ path: 'look.faceStops', value: finalStops - look.feelStops }];
  return look.exposeBy === 'face'
    ? [...settings, { path: 'look.holdBackStops', value: finalStops - face.ambientStops }]
    : settings;
}
