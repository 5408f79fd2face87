import { keySideDeg } from '../gain';
import { wrapDeg } from '../scene';
import { panelOnEyes, type PanelOnEyes } from './panelOnEyes';
import type { Panel } from '../setup';
import { solvePanel } from './panelSolution';
import { faceContrastOf, type Trial, type Tried, tryPanel } from './tryPanel';

/** Where reflectors are usually held; two schools and the front. */
export const REFLECTOR_PLACES = ['low-front', 'low-opposite', 'high-light-side'] as const;
export type ReflectorPlace = (typeof REFLECTOR_PLACES)[number];

type Stand = Pick<Panel, 'distanceM' | 'sideDeg' | 'heightM' | 'turnedDeg'>;

/** A starting place, with what the panel does from there. */
export interface PlacedReflector extends PanelOnEyes {
  place: ReflectorPlace;
  stand: Stand;
  /** what face and dark side gain by it, every light that it throws together; null where they are not metered */
  faceStops: number | null;
  shadowStops: number | null;
  contrastStops: number | null;
}

/** The usual stand of a reflector, with the sides that are tried for it: none may stand in the way of the light. */
interface UsualStand extends Omit<Stand, 'sideDeg'> {
  noseDegs: readonly number[];
}

/** Low in front, low opposite to the light, high on the light's own side. @param side of the light, −1 or 1 */
const usualStandOf = (place: ReflectorPlace, side: number): UsualStand => {
  switch (place) {
    case 'low-front':
      return { distanceM: 0.7, noseDegs: [0], heightM: -0.5, turnedDeg: 0 };
    case 'low-opposite':
      return { distanceM: 0.7, noseDegs: [-70 * side, -50 * side], heightM: -0.3, turnedDeg: 0 };
    case 'high-light-side':
      return { distanceM: 0.9, noseDegs: [45, 70, 95, 20].map((deg) => deg * side), heightM: 0.5, turnedDeg: 0 };
  }
};

/** A face that loses more than this stands in a panel's shadow, stops. */
const IN_ITS_SHADOW_STOPS = -0.2;

/** A reflector at its usual places; one that would shade the face from everywhere there is left out. */
export function usualStands(trial: Trial, panel: Panel): { place: ReflectorPlace; stand: Stand; tried: Tried }[] {
  if (panel.kind !== 'reflector') return [];
  const { setup, kit } = trial;
  const { turnDeg } = setup.stage.subject;
  const side = wrapDeg(keySideDeg(setup) - turnDeg) < 0 ? -1 : 1;
  return REFLECTOR_PLACES.flatMap((place) => {
    const { noseDegs, ...rest } = usualStandOf(place, side);
    for (const noseDeg of noseDegs) {
      const stand = { ...rest, sideDeg: Math.round(wrapDeg(turnDeg + noseDeg)) };
      const tried = tryPanel(trial, panel, stand);
      const { face } = solvePanel(tried.setup, kit, tried.scene, tried.now.points, tried.panel);
      if ((face?.togetherStops ?? 0) > IN_ITS_SHADOW_STOPS) return [{ place, stand, tried }];
    }
    return [];
  });
}

/** A reflector tried at each of its usual places: what it lifts from there and how it shows in the eyes. */
export function reflectorPlaces(trial: Trial, panelId: string): PlacedReflector[] {
  const panel = trial.setup.panels.find(({ id }) => id === panelId);
  if (panel === undefined) return [];
  return usualStands(trial, panel).map(({ place, stand, tried }): PlacedReflector => {
    const { face, shadow } = solvePanel(tried.setup, trial.kit, tried.scene, tried.now.points, tried.panel);
    return {
      place,
      stand,
      faceStops: face?.togetherStops ?? null,
      shadowStops: shadow?.togetherStops ?? null,
      contrastStops: faceContrastOf(tried.now),
      ...panelOnEyes(tried.panel, tried.setup, trial.kit),
    };
  });
}
