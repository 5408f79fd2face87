import { UNTAUGHT } from '../calibration';
import type { Kit } from '../gear';
import type { Light, PointRole, Setup } from '../setup';
import { lightConfig } from './lightConfig';
import { reachAt } from './reach';

/**
 * The light that a light's stated values promise at each kind of point, as aperture values at full power and ISO 100:
 * nothing learned, nothing measured. What a simulated head takes as its label, and then strays from.
 */
export function statedLight(setup: Setup, kit: Kit, light: Light): Partial<Record<PointRole, number>> {
  const plain = { setup, kit: { ...kit, calibration: UNTAUGHT }, standing: [] };
  const config = lightConfig(kit, light);
  if (config === null) return {};
  return Object.fromEntries(
    setup.points.flatMap((point) => {
      const reach = reachAt(point, light, config, 0, plain);
      return reach === null ? [] : [[point.role, reach.avAtFull]];
    }),
  );
}
