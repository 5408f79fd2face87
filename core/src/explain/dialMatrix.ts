import type { Balance } from '../balance';
import { type FlashUnit, highSpeedSyncLossStops, powerStepStops, snapPower } from '../flash';
import { type Kit, offered } from '../gear';
import { falloffStops } from '../modifiers';
import { formatStopCount } from '../notation';
import { addLight, INCREMENT_STOPS } from '../photometry';
import { lightPath, type Setting, type Setup } from '../setup';

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

/**
 * Which dial does only the thing wanted: the change of every source at the face for one step of every control.
 * Shutter, aperture, ISO and filter act on the ambient, on lamps and on LED panels alike; the shutter does not act on
 * flash below sync, and does in high-speed sync, where each stop of it takes a stop of flash.
 */
// eslint-disable-next-line complexity, max-lines-per-function -- a row a dial, each with its own rule
export function dialMatrix(setup: Setup, kit: Kit, now: Balance): DialMatrix | null {
  const { camera, gear, light } = now;
  if (camera === null || gear === null) return null;
  const step = INCREMENT_STOPS[gear.body.increment];
  const steady = ['ambient', 'lamps'];
  const flashIds = now.usable.map(({ light: { id } }) => id);
  const syncLoss = (entry: number, tv: number) =>
    highSpeedSyncLossStops(entry, camera.highSpeedSync ? tv - (camera.tv - camera.beyondSyncStops) : 0);
  const column = (
    dial: string,
    control: DialControl,
    step: DialStep,
    steadyStops: number,
    flashStops: (unit: FlashUnit) => number,
    settings: Setting[],
  ): DialColumn => ({
    dial,
    control,
    step,
    settings,
    stops: {
      ...Object.fromEntries(steady.map((id) => [id, steadyStops + 0])),
      ...Object.fromEntries(now.usable.map(({ light: { id }, config: { unit } }) => [id, flashStops(unit) + 0])),
    },
  });
  const alike = (stops: number) => () => stops;
  const sizeText = formatStopCount(step, gear.body.increment);
  const nd = offered(kit.filters)
    .filter(({ id }) => !setup.camera.filterIds.includes(id))
    .sort((a, b) => a.lossStops - b.lossStops)[0];
  const columns = [
    column(
      'shutter',
      { kind: 'shutter' },
      { kind: 'faster', sizeText },
      -step,
      ({ highSpeedSyncLossStops: entry }) => syncLoss(entry ?? 0, camera.tv) - syncLoss(entry ?? 0, camera.tv + step),
      setup.camera.video === null ? [{ path: 'camera.pins.tv', value: camera.tv + step }] : [],
    ),
    column('aperture', { kind: 'aperture' }, { kind: 'smaller', sizeText }, -step, alike(-step), [
      { path: 'camera.pins.av', value: camera.av + step },
    ]),
    column('iso', { kind: 'iso' }, { kind: 'lower', sizeText }, -step, alike(-step), [
      { path: 'camera.pins.sv', value: camera.sv - step },
    ]),
    column(
      'nd',
      { kind: 'nd' },
      nd === undefined ? { kind: 'one-stop-on' } : { kind: 'put-on', name: nd.name },
      -(nd?.lossStops ?? 1),
      alike(-(nd?.lossStops ?? 1)),
      nd === undefined || setup.camera.filterIds.length >= 6
        ? []
        : [{ path: 'camera.filterIds', value: [...setup.camera.filterIds, nd.id] }],
    ),
  ];
  const lamp = setup.lamps[0];
  if (lamp !== undefined)
    columns.push({
      dial: 'dimmer',
      control: { kind: 'dimmer' },
      step: { kind: 'down', sizeText },
      stops: Object.fromEntries([...steady, ...flashIds].map((id) => [id, id === 'lamps' ? -step : 0])),
      settings: [
        {
          path: 'lamps',
          value: setup.lamps.map((each) =>
            each.id === lamp.id ? { ...each, dimStops: Math.max(-10, each.dimStops - step) } : each,
          ),
        },
      ],
    });
  for (const {
    index,
    light: one,
    config: { unit, modifier },
  } of now.usable) {
    const solution = now.lights.find(({ lightId }) => lightId === one.id);
    const letter = now.usable.length === 1 ? null : one.group;
    const farther = Math.min(30, one.distanceM + DISTANCE_STEP_M);
    const power = powerStepStops(unit.scale);
    const gel = offered(kit.gels)
      .filter(({ id, lossStops }) => !one.gelIds.includes(id) && lossStops > 0)
      .sort((p, q) => p.lossStops - q.lossStops)[0];
    const alone = (stops: number) =>
      Object.fromEntries([...steady, ...flashIds].map((id) => [id, id === one.id ? stops + 0 : 0]));
    columns.push(
      {
        dial: `power:${one.id}`,
        control: { kind: 'power', letter },
        step: { kind: 'down', sizeText: formatStopCount(power, unit.scale.step) },
        stops: alone(-(power - Math.min(power, solution?.tailLossStops ?? 0))),
        settings:
          one.id === light?.light.id
            ? powerSettings(setup, now, -power)
            : solution?.powerStops == null
              ? []
              : [
                  { path: lightPath(index, 'dialledStops'), value: snapPower(unit.scale, solution.powerStops - power) },
                  { path: lightPath(index, 'locked'), value: true },
                ],
      },
      {
        dial: `distance:${one.id}`,
        control: { kind: 'distance', letter },
        step: { kind: 'farther', distanceM: farther },
        stops: alone(-falloffStops(modifier.shape, one.distanceM, farther)),
        settings: [{ path: lightPath(index, 'distanceM'), value: farther }],
      },
      {
        dial: `gel:${one.id}`,
        control: { kind: 'gel', letter },
        step: gel === undefined ? { kind: 'none-owned' } : { kind: 'put-on', name: gel.name },
        stops: alone(-(gel?.lossStops ?? 0)),
        settings:
          gel === undefined || one.gelIds.length >= 4
            ? []
            : [{ path: lightPath(index, 'gelIds'), value: [...one.gelIds, gel.id] }],
      },
    );
  }
  return {
    sources: [
      { id: 'ambient', kind: 'daylight' },
      { id: 'lamps', kind: 'lamps' },
      ...now.usable.map(({ light: one, config: { unit } }): DialSource => ({
        id: one.id,
        kind: 'light',
        unitName: now.usable.length === 1 ? unit.name : null,
      })),
    ],
    columns,
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
