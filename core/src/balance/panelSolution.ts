import { panelEffectStops, panelSize } from '../ambient';
import type { Kit } from '../gear';
import { type MeteredScene, pointPlace } from '../metering';
import { direction, type LitPlace } from '../scene';
import type { Panel, PanelKind, Setup } from '../setup';
import type { PointSolution } from './point';

/** What one flat thing does to the light on the face. */
export interface PanelSolution {
  id: string;
  kind: PanelKind;
  surface: Panel['surface'];
  /** its size, across or wide by tall */
  size: { widthM: number; tallM: number; round: boolean };
  /** change that it makes at the face and on its dark side, stops; openings against the room without them */
  faceStops: number;
  shadowStops: number;
  /** lit side over dark side without it and with it; null before both are metered */
  contrastBeforeStops: number | null;
  contrastAfterStops: number | null;
}

/** The two sides of a face, where no point says them. */
const SIDE_DEG = 60;
/** What each panel of a setup does, by the light that was metered; an estimate: meter again. */
export function solvePanels(
  setup: Setup,
  kit: Kit,
  { shadowUnderStops }: MeteredScene,
  points: readonly PointSolution[],
): PanelSolution[] {
  const placeOf = (role: 'face' | 'shadow', otherwise: LitPlace): LitPlace => {
    const point = setup.points.find((one) => one.role === role);
    return (point === undefined ? null : pointPlace(point, setup)) ?? otherwise;
  };
  const face = placeOf('face', { at: { x: 0, y: 0, z: 0 }, faces: direction(0) });
  const [lit, dark] = (['face', 'shadow'] as const).map(
    (role) => points.find((point) => point.role === role)?.ambientEv100 ?? null,
  );
  return setup.panels.map((panel): PanelSolution => {
    const shadow = placeOf('shadow', {
      at: { x: 0, y: 0, z: 0 },
      faces: direction(panel.sideDeg >= 0 ? SIDE_DEG : -SIDE_DEG),
    });
    const faceStops = panelEffectStops(setup, kit, panel, face, shadowUnderStops);
    const shadowStops = panelEffectStops(setup, kit, panel, shadow, shadowUnderStops);
    const after = lit == null || dark == null ? null : lit - dark;
    const before = after === null ? null : after - faceStops + shadowStops;
    return {
      id: panel.id,
      kind: panel.kind,
      surface: panel.surface,
      size: panelSize(panel, kit),
      faceStops,
      shadowStops,
      contrastBeforeStops: before,
      contrastAfterStops: after,
    };
  });
}
