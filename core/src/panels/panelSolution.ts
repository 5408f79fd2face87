import type { PointSolution } from '../balance';
import { panelSize } from '../gain';
import type { Kit } from '../gear';
import type { MeteredScene } from '../metering';
import { type MeteringPoint, newPoint, type Panel, PANEL_FACTS, type PanelKind, type Setup } from '../setup';
import { panelOnEyes, type PanelOnEyes } from './panelOnEyes';
import { panelAtPoint, type PanelAtPoint } from './panelParts';

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
  /** with every flash and lamp that it throws back or takes, part by part; null where the point is not metered */
  face: PanelAtPoint | null;
  shadow: PanelAtPoint | null;
  /** how it shows in the eyes; null for an opening */
  onEyes: PanelOnEyes | null;
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

/** What a panel of a setup does, by the light that was metered; an estimate: meter again. */
export function solvePanel(
  setup: Setup,
  kit: Kit,
  { light }: MeteredScene,
  points: readonly PointSolution[],
  panel: Panel,
): PanelSolution {
  const face = setup.points.find(({ role }) => role === 'face');
  const pointOf = (role: 'face' | 'shadow'): MeteringPoint =>
    setup.points.find((one) => one.role === role) ?? {
      ...newPoint(role, role, role),
      standsIn: face?.standsIn ?? null,
    };
  const solvedOf = (role: 'face' | 'shadow') => points.find((point) => point.role === role);
  const [onFace, onShadow] = [
    light.panelStops(pointOf('face'), panel.id),
    light.panelStops(pointOf('shadow'), panel.id),
  ];
  const [faceStops, shadowStops] = [onFace.stops, onShadow.stops];
  const sdStops = Math.abs(faceStops) > Math.abs(shadowStops) ? onFace.sdStops : onShadow.sdStops;
  const [lit, dark] = [solvedOf('face')?.ambientEv100 ?? null, solvedOf('shadow')?.ambientEv100 ?? null];
  const [litWithFlash, darkWithFlash] = (['face', 'shadow'] as const).map((role) => {
    const solved = solvedOf(role);
    return solved?.flashStops == null ? null : solved.totalStops;
  });
  const after = lit === null || dark === null ? null : lit - dark;
  return {
    id: panel.id,
    kind: panel.kind,
    surface: panel.surface,
    size: panelSize(panel, kit),
    faceStops,
    shadowStops,
    face: panelAtPoint(setup, kit, panel, pointOf('face'), solvedOf('face'), faceStops),
    shadow: panelAtPoint(setup, kit, panel, pointOf('shadow'), solvedOf('shadow'), shadowStops),
    onEyes: PANEL_FACTS[panel.kind].opening ? null : panelOnEyes(panel, setup, kit),
    sdStops,
    assumed: sdStops > ASSUMED_OVER_STOPS,
    contrastBeforeStops: after === null ? null : after - faceStops + shadowStops,
    contrastAfterStops: after,
    contrastWithFlashStops: litWithFlash == null || darkWithFlash == null ? null : litWithFlash - darkWithFlash,
  };
}

/** What each panel of a setup does. */
export const solvePanels = (
  setup: Setup,
  kit: Kit,
  scene: MeteredScene,
  points: readonly PointSolution[],
): PanelSolution[] => setup.panels.map((panel) => solvePanel(setup, kit, scene, points, panel));
