import type { Kit } from '../gear';
import type { Light, Setup } from '../setup';
import { type LightConfig, lightConfig, type MissingGear } from '../gain';

/** A light whose gear is all there. */
export interface UsableLight {
  /** its place in the setup's list */
  index: number;
  light: Light;
  config: LightConfig;
}

/**
 * The lights whose gear is in the kit and whose aim is among the points, with their places in the list. @param
 * missing takes what has left the kit
 */
export function usableLights(setup: Setup, kit: Kit, missing: (what: MissingGear) => void): UsableLight[] {
  return setup.lights.flatMap((light, index): UsableLight[] => {
    const config = lightConfig(kit, light, missing);
    const aimed = setup.points.some(({ id }) => id === light.aimPointId);
    return config === null || !aimed ? [] : [{ index, light, config }];
  });
}
