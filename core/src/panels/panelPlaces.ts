import { isIndoors, keySideDeg, sunStand } from '../gain';
import { meterScene } from '../metering';
import { wrapDeg } from '../scene';
import { panelOnEyes, type PanelOnEyes } from './panelOnEyes';
import { type OpenSide, type Panel, PANEL_FACTS, type Setup } from '../setup';
import { type PanelSolution, solvePanel } from './panelSolution';
import { faceContrastOf, type Trial, type Tried, tryPanel } from './tryPanel';

/**
 * The side that the most light comes from, degrees from the line to the camera: the sun's where it shines, an opening's, the one
 * that is told, else the key's.
 */
export function brightSideDeg(setup: Setup, openSide: OpenSide | null): number {
  const sun = isIndoors(setup) ? null : sunStand(setup.stage);
  if (sun !== null && sun.altitudeDeg > 0) return sun.sideDeg;
  const opening = setup.panels.find(({ kind }) => PANEL_FACTS[kind].opening);
  if (opening !== undefined) return opening.sideDeg;
  if (openSide === 'left' || openSide === 'right') return openSide === 'left' ? -90 : 90;
  return keySideDeg(setup);
}

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

/** A usual place of a reflector: its height and distance, the sides that are tried for it, and the side of the face that it is for. */
interface UsualPlace {
  distanceM: number;
  heightM: number;
  noseDegs: readonly number[];
  lifts: 'face' | 'shadow';
}

/** Low in front, low opposite to the light, high on the light's own side. @param side of the light, −1 or 1 */
function usualPlace(place: ReflectorPlace, side: number): UsualPlace {
  switch (place) {
    case 'low-front':
      return { distanceM: 0.7, heightM: -0.5, noseDegs: [0], lifts: 'shadow' };
    case 'low-opposite':
      return { distanceM: 0.7, heightM: -0.3, noseDegs: [-70 * side, -50 * side], lifts: 'shadow' };
    case 'high-light-side':
      return { distanceM: 0.9, heightM: 0.5, noseDegs: [45 * side, 75 * side], lifts: 'face' };
  }
}

/** A face that loses more than this stands in a panel's shadow, stops. */
const IN_ITS_SHADOW_STOPS = -0.05;
/** Hands turn a reflector between the face and the light, this far at most. */
const MOST_TURN_DEG = 60;
/** A place that lifts less helps nobody, stops. */
const LEAST_LIFT_STOPS = 0.05;

/** A panel's usual place, as it would stand there, and what it then does. */
export interface UsualStand {
  place: ReflectorPlace;
  stand: Stand;
  tried: Tried;
  solved: PanelSolution;
}

/**
 * A reflector at its usual places, turned between the face and the light as hands would hold it. A place from which it would
 * shade the face or lift nothing is left out.
 */
export function usualStands(trial: Trial, panel: Panel): UsualStand[] {
  if (panel.kind !== 'reflector') return [];
  const { setup, kit } = trial;
  const { turnDeg } = setup.stage.subject;
  const openSide = meterScene(setup, kit, trial.facts, trial.clock).openSide?.side ?? null;
  const brightDeg = brightSideDeg(setup, openSide);
  const side = wrapDeg(brightDeg - turnDeg) < 0 ? -1 : 1;
  return REFLECTOR_PLACES.flatMap((place): UsualStand[] => {
    const { noseDegs, lifts, ...rest } = usualPlace(place, side);
    const stands = noseDegs.flatMap((noseDeg): Stand[] => {
      const sideDeg = Math.round(wrapDeg(turnDeg + noseDeg));
      const halfDeg = Math.min(MOST_TURN_DEG, Math.round(Math.abs(wrapDeg(sideDeg + 180 - brightDeg)) / 2));
      return [0, halfDeg, -halfDeg].map((turnedDeg) => ({ ...rest, sideDeg, turnedDeg }));
    });
    const found = stands.map((stand): UsualStand => {
      const tried = tryPanel(trial, panel, stand);
      const solved = solvePanel(tried.setup, kit, tried.scene, tried.now.points, tried.panel);
      return { place, stand, tried, solved };
    });
    const liftOf = ({ solved }: UsualStand) => solved[lifts]?.togetherStops ?? 0;
    const useful = found.filter(
      (one) => (one.solved.face?.togetherStops ?? 0) > IN_ITS_SHADOW_STOPS && liftOf(one) > LEAST_LIFT_STOPS,
    );
    const [best] = useful.sort((one, other) => liftOf(other) - liftOf(one));
    // before anything is metered it is where it usually stands
    const [first] = found;
    const isMetered = first?.solved[lifts] != null;
    return best !== undefined ? [best] : isMetered || first === undefined ? [] : [first];
  });
}

/** A reflector tried at each of its usual places: what it lifts from there and how it shows in the eyes. */
export function reflectorPlaces(trial: Trial, panelId: string): PlacedReflector[] {
  const panel = trial.setup.panels.find(({ id }) => id === panelId);
  if (panel === undefined) return [];
  return usualStands(trial, panel).map(({ place, stand, tried, solved: { face, shadow } }): PlacedReflector => ({
    place,
    stand,
    faceStops: face?.togetherStops ?? null,
    shadowStops: shadow?.togetherStops ?? null,
    contrastStops: faceContrastOf(tried.now),
    ...panelOnEyes(tried.panel, tried.setup, trial.kit),
  }));
}
