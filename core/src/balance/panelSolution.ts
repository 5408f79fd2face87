import { panelSize } from '../gain';
import type { Kit } from '../gear';
import type { MeteredScene } from '../metering';
import { type MeteringPoint, newPoint, type Panel, type PanelKind, type Setup } from '../setup';
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
  /** one standard deviation of the larger of the two, stops; assumed where no reading has told it yet */
  sdStops: number;
  assumed: boolean;
  /** lit side over dark side without it and with it; null before both are metered */
  contrastBeforeStops: number | null;
  contrastAfterStops: number | null;
  /** the same with it and with all flash; null where no flash is known on both sides */
  contrastWithFlashStops: number | null;
}

/** What is known to no better than this rests on a belief alone, stops. */
const ASSUMED_OVER_STOPS = 1 / 3;

/** What each panel of a setup does, by the light that was metered; an estimate: meter again. */
export function solvePanels(
  setup: Setup,
  kit: Kit,
  { light }: MeteredScene,
  points: readonly PointSolution[],
): PanelSolution[] {
  const face = setup.points.find(({ role }) => role === 'face');
  const pointOf = (role: 'face' | 'shadow'): MeteringPoint =>
    setup.points.find((one) => one.role === role) ?? {
      ...newPoint(role, role, role),
      standsIn: face?.standsIn ?? null,
    };
  const [lit, dark] = (['face', 'shadow'] as const).map(
    (role) => points.find((point) => point.role === role)?.ambientEv100 ?? null,
  );
  const [litWithFlash, darkWithFlash] = (['face', 'shadow'] as const).map((role) => {
    const point = points.find((one) => one.role === role);
    return point?.flashStops == null ? null : point.totalStops;
  });
  return setup.panels.map((panel): PanelSolution => {
    const onFace = light.panelStops(pointOf('face'), panel.id);
    const onShadow = light.panelStops(pointOf('shadow'), panel.id);
    const [faceStops, shadowStops] = [onFace.stops, onShadow.stops];
    const sdStops = Math.abs(faceStops) > Math.abs(shadowStops) ? onFace.sdStops : onShadow.sdStops;
    const after = lit == null || dark == null ? null : lit - dark;
    return {
      id: panel.id,
      kind: panel.kind,
      surface: panel.surface,
      size: panelSize(panel, kit),
      faceStops,
      shadowStops,
      sdStops,
      assumed: sdStops > ASSUMED_OVER_STOPS,
      contrastBeforeStops: after === null ? null : after - faceStops + shadowStops,
      contrastAfterStops: after,
      contrastWithFlashStops: litWithFlash == null || darkWithFlash == null ? null : litWithFlash - darkWithFlash,
    };
  });
}
