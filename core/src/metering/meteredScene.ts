import { panelChangeStops } from '../ambient';
import type { Kit } from '../gear';
import { type MeteringPoint, type Reading, type SceneChange, type Setup, standAt } from '../setup';
import { type DomeChoice, domeChoice, fooledStops } from './dome';
import { ambientReading, lightEv100, standingReadings } from './levels';
import type { PointAmbient } from './pointAmbient';
import { pointPlace } from './pointPlaces';
import { questionReadings, type ReadingQuestion } from './questions';
import { guideFor, type MeterAgain, meterAgain, type PointReading, staleness } from './stale';
import type { MeteringWarning } from './warning';

/** What is on record about a setup: readings, and what changed in the scene. */
export type Fact = Reading | SceneChange;

/** What the readings of a setup say, whatever the look, the camera and the light. */
export interface MeteredScene {
  clock: Date;
  /** readings that hold, oldest first */
  standing: Reading[];
  /** how far the dark side was metered under the face; null where one of them was not */
  shadowUnderStops: number | null;
  ambientAt: (point: MeteringPoint) => PointAmbient;
  again: MeterAgain[];
  dome: DomeChoice | null;
  questions: ReadingQuestion[];
  /** readings that say less than they seem to */
  warnings: MeteringWarning[];
}

/** Gathers what was metered at the points of a setup. */
export function meterScene(setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date): MeteredScene {
  const own = facts.filter((fact) => fact.setupId === setup.id);
  const standing = standingReadings(own.filter((fact) => fact.type === 'reading'));
  const sceneChanges = own
    .filter((fact) => fact.type === 'sceneChange')
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const { metered, shadowUnderStops, ambientAt, again } = ambientAtPoints(setup, kit, standing, sceneChanges, clock);
  return {
    clock,
    standing,
    shadowUnderStops,
    ambientAt,
    again,
    dome: domeChoice(
      setup.points.find(({ role }) => role === 'face'),
      standing,
      setup.look.faceBy,
    ),
    questions: questionReadings(metered, standing, setup.confirmed, clock),
    warnings: meteringWarnings(metered),
  };
}

/** The ambient at every point: as metered, or carried over from a point in the same light that was metered again. */
function ambientAtPoints(
  setup: Setup,
  kit: Kit,
  standing: readonly Reading[],
  changes: readonly SceneChange[],
  clock: Date,
) {
  const metered = setup.points.flatMap((point): PointReading[] => {
    const reading = ambientReading(standing, point, setup.look.faceBy);
    return reading === undefined
      ? []
      : [{ point, reading, stale: staleness(point, reading, standing, changes, clock) }];
  });
  const levelOf = (role: MeteringPoint['role']) => {
    const one = metered.find(({ point }) => point.role === role);
    return one === undefined ? null : lightEv100(one.reading);
  };
  const [lit, dark] = [levelOf('face'), levelOf('shadow')];
  const shadowUnderStops = lit === null || dark === null ? null : lit - dark;
  const guides = new Map(
    metered.filter(({ stale }) => stale !== null).map((one) => [one.point.id, guideFor(one, metered, standing)]),
  );
  const ambientAt = (point: MeteringPoint): PointAmbient => {
    const one = metered.find((other) => other.point.id === point.id);
    if (one === undefined) return { reading: undefined, ambientEv100: null, basis: null, stale: null };
    const guide = guides.get(point.id) ?? null;
    const movedStops = panelChangeStops(
      setup,
      kit,
      point,
      pointPlace(point, setup),
      (panel) => standAt(panel, one.reading.at),
      shadowUnderStops,
    );
    const basis =
      one.reading.method.kind === 'disc' ? 'one-source' : guide === null && movedStops === 0 ? 'measured' : 'carried';
    return {
      reading: one.reading,
      ambientEv100: lightEv100(one.reading) + (guide?.changeStops ?? 0) + movedStops,
      basis,
      stale: guide === null ? one.stale : null,
    };
  };
  return {
    metered,
    shadowUnderStops,
    ambientAt,
    again: meterAgain(metered.filter(({ point, stale }) => stale !== null && guides.get(point.id) == null)),
  };
}

/** Readings that say less than they seem to. */
function meteringWarnings(metered: readonly PointReading[]): MeteringWarning[] {
  const background = metered.find(({ point }) => point.role === 'background');
  return metered.flatMap(({ point, reading }): MeteringWarning[] => {
    if (reading.method.kind === 'disc') return [{ kind: 'one-source', pointId: point.id }];
    if (reading.method.kind !== 'reflected') return [];
    if (background === undefined || background.point.id === point.id)
      return [{ kind: 'fooled', pointId: point.id, offStops: null }];
    const offStops = fooledStops(lightEv100(reading), lightEv100(background.reading));
    return offStops === null ? [] : [{ kind: 'fooled', pointId: point.id, offStops }];
  });
}
