import { UNTAUGHT } from '../calibration';
import type { Kit } from './kit';
import { lightConfig } from './lightConfig';
import type { PointRole } from './pointRoles';
import { reachAt } from './reach';
import type { Light, Setup } from './setup';

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
