import { type Kit, offered } from '../gear';
import type { PointRole, Setup } from '../setup';
import type { SolutionNumbers } from '../solution';
import type { LookRow } from './compareLooks';

/** Why a relation is not reached. */
export type MissedWhy =
  | { kind: 'no-flash' }
  | { kind: 'not-metered'; role: PointRole }
  | { kind: 'unit-range'; lightId: string; direction: 'too-weak' | 'too-strong'; byStops: number }
  | { kind: 'camera'; byStops: number }
  | { kind: 'lens' }
  | { kind: 'no-lamp' }
  | { kind: 'lamp-range' }
  | { kind: 'no-panel' }
  | { kind: 'no-modifier' }
  | { kind: 'no-gel' }
  | { kind: 'no-lens' }
  | { kind: 'no-colour' }
  | { kind: 'ambient' };

/** A light whose unit would have to be set past an end of its scale, be it by less than a step; null: it need not. */
export function pastItsEnd(
  { lightId, exactPowerStops }: SolutionNumbers['lights'][number],
  { lights }: Setup,
  kit: Kit,
): Extract<MissedWhy, { kind: 'unit-range' }> | null {
  const unit = kit.flashUnits.find(({ id }) => id === lights.find((light) => light.id === lightId)?.unitId);
  if (unit === undefined || exactPowerStops === null) return null;
  const under = unit.scale.lowestStops - exactPowerStops;
  if (exactPowerStops > 0) return { kind: 'unit-range', lightId, direction: 'too-weak', byStops: exactPowerStops };
  return under > 0 ? { kind: 'unit-range', lightId, direction: 'too-strong', byStops: under } : null;
}

/** Why a relation is not as wanted, what weighs most first. */
export function whyMissed(row: LookRow, setup: Setup, kit: Kit, numbers: SolutionNumbers): MissedWhy {
  switch (row.kind) {
    case 'no-light':
      return { kind: 'no-flash' };
    case 'no-lamp':
      return { kind: 'no-lamp' };
    case 'no-panel':
      return { kind: 'no-panel' };
    case 'panel':
      return { kind: 'no-modifier' };
    case 'lamp':
      return whyLamp(row, setup);
    case 'light':
      return row.figure === 'gelMired' ? { kind: 'no-gel' } : { kind: 'no-modifier' };
    case 'figure':
      return whyFigure(row, setup, kit, numbers);
  }
}

function whyLamp({ figure, is }: Extract<LookRow, { kind: 'lamp' }>, setup: Setup): MissedWhy {
  const face = setup.points.find(({ role }) => role === 'face');
  if (figure === 'ambientMired' && !setup.colour.ambient.some(({ pointId }) => pointId === face?.id))
    return { kind: 'no-colour' };
  if (is === null) return { kind: 'not-metered', role: 'face' };
  return { kind: 'lamp-range' };
}

/** Why a figure of the picture is not as wanted. */
function whyFigure(row: FigureRow, setup: Setup, kit: Kit, numbers: SolutionNumbers): MissedWhy {
  switch (row.figure) {
    case 'depthM':
      return row.is === null && setup.camera.lensId === null ? { kind: 'no-lens' } : { kind: 'lens' };
    case 'keyOverAmbientMired':
    case 'whiteBalanceMired':
      return row.is === null ? { kind: 'no-colour' } : { kind: 'no-gel' };
    default:
      return whyLevel(row, setup, kit, numbers);
  }
}

type FigureRow = Extract<LookRow, { kind: 'figure' }>;

/** Points without which a level is not known. */
const NEEDS: Partial<Record<FigureRow['figure'], PointRole>> = {
  backgroundStops: 'background',
  backgroundHoldBackStops: 'background',
  faceRatioStops: 'shadow',
  rimOverKeyStops: 'highlight',
};

/** Why a level is not as wanted: it is not known, the dials or a unit are at their ends, or the ambient makes it so. */
function whyLevel(
  { figure, is }: FigureRow,
  setup: Setup,
  kit: Kit,
  { points, camera, lights }: SolutionNumbers,
): MissedWhy {
  const isKnown = (role: PointRole) => points.find((point) => point.role === role)?.totalStops != null;
  if (!isKnown('face')) return { kind: 'not-metered', role: 'face' };
  const needs = NEEDS[figure];
  if (is === null && needs !== undefined && !isKnown(needs)) return { kind: 'not-metered', role: needs };
  // too much light leaves no room for any flash
  if (camera !== null && camera.missingStops > 0) return { kind: 'camera', byStops: camera.missingStops };
  const isBehind = figure === 'backgroundStops' || figure === 'backgroundHoldBackStops';
  const its = isBehind ? lights.filter(({ role }) => role === 'background') : lights;
  const [worst] = its.flatMap((light) => pastItsEnd(light, setup, kit) ?? []).sort((x, y) => y.byStops - x.byStops);
  if (worst !== undefined) return worst;
  return offered(kit.flashUnits).length === 0 ? { kind: 'no-flash' } : { kind: 'ambient' };
}
