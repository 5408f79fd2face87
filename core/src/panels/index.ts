export { backdropAt, type PanelAnswer, panelAnswers, type PanelPlace } from './panelAnswers';
export { type ContrastWay, type ContrastWayKind, contrastWays } from './contrastWays';
export type { PanelOnEyes } from './panelOnEyes';
export type { PanelAtPoint, PanelPartOf } from './panelParts';
export {
  brightSideDeg,
  type PlacedReflector,
  type ReflectorPlace,
  REFLECTOR_PLACES,
  reflectorPlaces,
} from './panelPlaces';
export { type PanelSolution, solvePanels } from './panelSolution';
