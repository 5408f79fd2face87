import { sampleId } from '../src/sample';
import { type Panel, PANEL_FACTS, type PanelKind } from '../src/setup';

/** A panel of a kind where such a one usually stands, seen by all readings. */
export const usualPanel = (kind: PanelKind, over: Partial<Panel> = {}): Panel => {
  const { stand, widthM, tallM } = PANEL_FACTS[kind];
  return {
    id: sampleId(401),
    kind,
    ...stand,
    turnedDeg: 0,
    reflectorId: null,
    surface: 'white',
    widthM,
    tallM,
    takesStops: 1.5,
    movedAt: null,
    before: null,
    ...over,
  };
};
