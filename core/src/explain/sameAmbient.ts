import { balance, fires } from '../balance';
import { depthNow, passedLimit, type PassedLimit, sharpZoneM } from '../exposure';
import type { Kit } from '../gear';
import { type Fact, meterScene } from '../metering';
import { type CameraStands, type Setting, type Setup, withSettings } from '../setup';

/** Other settings for the same ambient, with what they change. */
export interface SameAmbient {
  text: { shutter: string; aperture: string; iso: string };
  /** from where to where people are then sharp, metres; null where depth is not known */
  sharp: { nearM: number; farM: number | null } | null;
  /** stops of ISO against now: more is noisier */
  isoStops: number;
  /** what each light is then set to; null: it is out of reach */
  powers: { lightId: string; powerText: string | null }[];
  /** a limit that they pass; null: none */
  passes: PassedLimit | null;
  settings: Setting[];
}

/** So far each way, whole stops. */
const STEPS = [-2, -1, 1, 2] as const;

/** One dial against another, in both directions: the shutter or the ISO makes up for the aperture, the ISO for the shutter. */
const waysFrom = ({ av, tv, sv }: CameraStands): CameraStands[] =>
  STEPS.flatMap((by) => [
    { av: av + by, tv: tv - by, sv, inForce: true },
    { av: av + by, tv, sv: sv + by, inForce: true },
    { av, tv: tv + by, sv: sv + by, inForce: true },
  ]);

/** What passes no limit and is in reach of every light stands first. */
const priceOf = ({ passes, powers }: SameAmbient): number =>
  (passes === null ? 0 : 1) + powers.filter(({ powerText }) => powerText === null).length;

/**
 * Settings beside those of now that give the ambient the same exposure, a stop or two apart: with the depth and the noise that they
 * bring, and what the flash must then do. Those that body or lens cannot do are left out; empty before there are settings.
 */
export function sameAmbient(setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date): SameAmbient[] {
  const scene = meterScene(setup, kit, facts, clock);
  const { camera, gear } = balance(setup, kit, scene);
  if (camera === null || gear === null || setup.camera.video !== null) return [];
  const { av, tv, sv } = camera;
  const { body } = gear;
  const depth = depthNow(setup, gear.body, gear.lens);
  const found = waysFrom({ av, tv, sv, inForce: true }).flatMap((stands): SameAmbient[] => {
    const passes = passedLimit(stands, gear, setup.camera, fires(setup));
    const lowest = body.extendedLowSv ?? body.baseSv;
    if (passes === 'lens' || passes === 'highest-iso' || stands.sv < lowest - 0.05) return [];
    const settings: Setting[] = [{ path: 'camera.stands', value: stands }];
    const changed = withSettings(setup, settings);
    if (!changed.ok) return [];
    const then = balance(changed.value, kit, scene);
    if (then.camera === null) return [];
    const { shutter, aperture, iso } = then.camera.text;
    return [
      {
        text: { shutter, aperture, iso },
        sharp: depth === null ? null : sharpZoneM(stands.av, depth.focusM, depth.focalMm, depth.circleMm),
        isoStops: stands.sv - sv,
        powers: then.lights.map(({ lightId, powerText, outOfRange }) => ({
          lightId,
          powerText: outOfRange === null ? powerText : null,
        })),
        passes,
        settings,
      },
    ];
  });
  return found.sort((a, b) => priceOf(a) - priceOf(b));
}
