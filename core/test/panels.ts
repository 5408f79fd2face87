import { sampleId } from '../src/sample';
import { type Panel, PANEL_FACTS, type PanelKind, type PlacedLamp } from '../src/setup';

/** A panel of a kind where such a one usually stands, seen by all readings. */
export const usualPanel = (kind: PanelKind, over: Partial<Panel> = {}): Panel => {
  const { stand, widthM, tallM } = PANEL_FACTS[kind];
  return {
    id: sampleId(401),
    kind,
    ...stand,
    turnedDeg: 0,
    reflectorId: null,
    standId: null,
    surface: 'white',
    widthM,
    tallM,
    takesStops: 1.5,
    movedAt: null,
    before: null,
    ...over,
  };
};

/** A lamp of the sample kit that burns at full before the face; nothing is asked of it. */
export const usualLamp = (over: Partial<PlacedLamp> = {}): PlacedLamp => ({
  id: sampleId(31),
  lampId: sampleId(165),
  pointId: 'face',
  distanceM: 1.5,
  sideDeg: 50,
  heightM: 0.2,
  offAxisDeg: 0,
  on: true,
  dimStops: 0,
  kelvin: 5000,
  role: null,
  standsFor: null,
  fromDusk: false,
  ...over,
});
