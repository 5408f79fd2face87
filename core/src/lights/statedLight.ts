import { AS_IT_STANDS, flashAt, lightConfig, receiverForAim, receiverOf, standing } from '../gain';
import type { Kit } from '../gear';
import type { Light, PointRole, Setup } from '../setup';

/**
 * The light that a light's stated values promise at each kind of point, as aperture values at full power and ISO 100:
 * nothing learned, nothing measured. What a simulated head takes as its label, and then strays from.
 */
export function statedLight(setup: Setup, kit: Kit, light: Light): Partial<Record<PointRole, number>> {
  const config = lightConfig(kit, light);
  if (config === null) return {};
  const panels = standing(setup, kit, AS_IT_STANDS);
  return Object.fromEntries(
    setup.points.flatMap((point) => {
      const receiver = point.id === light.aimPointId ? receiverForAim(setup, light) : receiverOf(point, setup);
      const av = receiver === null ? null : flashAt(light, config, 0, receiver, setup, panels);
      return av === null ? [] : [[point.role, av]];
    }),
  );
}
