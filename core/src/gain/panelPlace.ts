import type { Kit } from '../gear';
import { type Flat, lightPlace, minus, turned, unitOf } from '../scene';
import type { Panel, PanelStand } from '../setup';

/** A panel's size, from the kit where it is one of its reflectors. */
export function panelSize(
  panel: Panel,
  kit: Pick<Kit, 'reflectors'>,
): { widthM: number; tallM: number; round: boolean } {
  const own = kit.reflectors.find(({ id }) => id === panel.reflectorId);
  return own === undefined
    ? { widthM: panel.widthM, tallM: panel.tallM, round: panel.kind === 'reflector' }
    : { widthM: own.diameterM, tallM: own.diameterM, round: true };
}

/** The flat thing that a panel is when it stands in a place; it looks at the face, turned by what is said. */
export function panelFlat(panel: Panel, kit: Pick<Kit, 'reflectors'>, stand: PanelStand = panel): Flat {
  const eyes = { x: 0, y: 0, z: 0 };
  const at = lightPlace(eyes, stand);
  return { at, faces: unitOf(turned(minus(eyes, at), stand.turnedDeg)), ...panelSize(panel, kit) };
}
