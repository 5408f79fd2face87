import { keySideDeg } from '../gain';
import type { Kit } from '../gear';
import type { MeteringPoint, Setup } from '../setup';
import { meterAgain } from './again';
import { domeChoice, fooledStops, toldSide } from './dome';
import { lightEv100, standingReadings } from './levels';
import { LightEstimate } from './lightEstimate';
import type { PointAmbient } from './pointAmbient';
import { questionReadings } from './questions';
import { remembered } from './remembered';
import type { Fact, MeteredScene, MeteringWarning } from './scene';

/**
 * What the light of a setup is, from everything that was read and happened in it. Made once for each change of facts or
 * of the geometry that was read in.
 */
export const meterScene = (setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date): MeteredScene =>
  remembered(setup, kit, facts, clock, () => metered(setup, kit, facts, clock));

function metered(setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date): MeteredScene {
  const own = facts.filter((fact) => fact.setupId === setup.id);
  const standing = standingReadings(own.filter((fact) => fact.type === 'reading'));
  const changes = own.filter((fact) => fact.type === 'sceneChange').sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const openSide = toldSide(setup, standing, keySideDeg(setup));
  const told = openSide === null ? setup : { ...setup, stage: { ...setup.stage, openSide: openSide.side } };
  const light = new LightEstimate(told, kit, standing, changes, clock);
  const points = setup.points.map((point) => ({ point, ambient: light.ambientAt(point) }));
  const byId = new Map(points.map(({ point, ambient }) => [point.id, ambient]));
  return {
    clock,
    standing,
    light,
    ambientAt: (point) => byId.get(point.id) ?? light.ambientAt(point),
    restWithout: (point, lampIds) => light.restWithout(point, lampIds),
    again: meterAgain(light, points),
    dome: domeChoice(
      setup.points.find(({ role }) => role === 'face'),
      standing,
      setup.look.faceBy,
    ),
    questions: questionReadings(setup, light, clock),
    openSide,
    warnings: meteringWarnings(points),
  };
}

/** The same scene with the ambient at its points brighter or darker by so many stops, as a new reading would find it. */
export const litOtherwise = (scene: MeteredScene, byStops: (point: MeteringPoint) => number): MeteredScene => ({
  ...scene,
  ambientAt: (point) => {
    const ambient = scene.ambientAt(point);
    return ambient.ambientEv100 === null
      ? ambient
      : { ...ambient, ambientEv100: ambient.ambientEv100 + byStops(point) };
  },
  restWithout: (point, lampIds) => {
    const rest = scene.restWithout(point, lampIds);
    return rest === null ? null : rest + byStops(point);
  },
});

/** The same scene with what is assumed of a point that nobody metered. */
export const withAssumed = (
  scene: MeteredScene,
  pointId: string,
  { ambientEv100, sdStops }: { ambientEv100: number; sdStops: number },
): MeteredScene => ({
  ...scene,
  ambientAt: (point) =>
    point.id === pointId
      ? { reading: undefined, ambientEv100, sdStops, basis: 'assumed', stale: null }
      : scene.ambientAt(point),
});

/** Readings that say less than they seem to. */
function meteringWarnings(points: readonly { point: MeteringPoint; ambient: PointAmbient }[]): MeteringWarning[] {
  const background = points.find(({ point }) => point.role === 'background');
  return points.flatMap(({ point, ambient: { reading } }): MeteringWarning[] => {
    if (reading === undefined) return [];
    if (reading.method.kind === 'disc') return [{ kind: 'one-source', pointId: point.id }];
    if (reading.method.kind !== 'reflected') return [];
    if (background?.ambient.reading === undefined || background.point.id === point.id)
      return [{ kind: 'fooled', pointId: point.id, offStops: null }];
    const offStops = fooledStops(lightEv100(reading), lightEv100(background.ambient.reading));
    return offStops === null ? [] : [{ kind: 'fooled', pointId: point.id, offStops }];
  });
}
