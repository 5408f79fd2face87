import { panelEffectStops, panelSize } from '../ambient';
import type { Kit } from '../gear';
import { type MeteredScene, pointPlace } from '../metering';
import { formatStopCount } from '../notation';
import { direction, type LitPlace } from '../scene';
import { PANEL_FACTS, type PanelKind, type Setup } from '../setup';
import { panelName } from '../words';
import type { PointSolution } from './point';

/** What one flat thing does to the light on the face. */
export interface PanelSolution {
  id: string;
  kind: PanelKind;
  name: string;
  /** change that it makes at the face and on its dark side, stops; openings against the room without them */
  faceStops: number;
  shadowStops: number;
  /** lit side over dark side without it and with it; null before both are metered */
  contrastBeforeStops: number | null;
  contrastAfterStops: number | null;
  text: string;
}

/** The two sides of a face, where no point says them. */
const SIDE_DEG = 60;
const WORTH_SAYING = 0.05;

const says = (stops: number): string =>
  Math.abs(stops) < WORTH_SAYING ? 'nothing' : `${formatStopCount(stops)} stops ${stops < 0 ? 'darker' : 'brighter'}`;

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
    const { widthM, tallM, round } = panelSize(panel, kit);
    const name = panelName(panel);
    const what = PANEL_FACTS[panel.kind].opening
      ? `face ${says(faceStops)} than the room alone`
      : `dark side ${says(shadowStops)}, face ${says(faceStops)}`;
    const contrast =
      before === null || after === null
        ? ' Meter face and shadow side: then the contrast stands here.'
        : ` Contrast from ${formatStopCount(before)} to ${formatStopCount(after)} stops.`;
    return {
      id: panel.id,
      kind: panel.kind,
      name,
      faceStops,
      shadowStops,
      contrastBeforeStops: before,
      contrastAfterStops: after,
      text: `${name}, ${round ? `${Math.round(widthM * 100)} cm` : `${widthM.toFixed(1)} × ${tallM.toFixed(1)} m`}: ${what}.${contrast}`,
    };
  });
}
