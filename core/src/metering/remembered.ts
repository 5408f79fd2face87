import { keySideDeg } from '../gain';
import type { Kit } from '../gear';
import { wrapDeg } from '../scene';
import type { Setup } from '../setup';
import type { Fact, MeteredScene } from './scene';

/** What was metered, and what it was worked out from. */
interface Remembered {
  from: readonly unknown[];
  scene: MeteredScene;
}

/** By the facts as they came: documents never change, and while something is dragged the scene is asked for at every frame. */
const known = new WeakMap<readonly Fact[], Remembered[]>();
/** A ripple or a way out looks at a few other versions of a setup in between. */
const MOST_VERSIONS = 4;

/**
 * Everything that the light as it was read depends on. A light that is dragged is not part of it, but where a dome is turned
 * to it, or where a reading has not written down how its lights stood.
 */
function dependsOn(setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date): unknown[] {
  const { points, panels, stage, lights, lamps, backgroundM, confirmed, look } = setup;
  const readings = facts.filter((fact) => fact.type === 'reading');
  const turnedToLight =
    look.faceBy === 'light' ||
    readings.some(({ method }) => method.kind === 'disc' || (method.kind === 'incident' && method.aim === 'light'));
  const unwritten = readings.some(({ fired }) => fired.some(({ sideDeg }) => sideDeg === null));
  const key = lights.find(({ role }) => role === 'key');
  return [
    setup.id,
    // a list that was added to since is another one
    facts.length,
    facts.at(-1),
    clock.getTime(),
    points,
    panels,
    backgroundM,
    lamps,
    confirmed,
    look.faceBy,
    stage.sun,
    stage.ground,
    stage.openSide,
    stage.subject.turnDeg,
    wrapDeg(keySideDeg(setup) - stage.subject.turnDeg) >= 0,
    keySideDeg(setup) < 0,
    lights.map(({ id, aimPointId }) => `${id} ${aimPointId}`).join(),
    turnedToLight ? key : null,
    unwritten ? lights : null,
    kit.calibration,
    kit.flashUnits,
    kit.modifiers,
    kit.grids,
    kit.gels,
    kit.reflectors,
    kit.lamps,
    kit.meters,
    kit.preferences.meterIncrement,
  ];
}

/** A scene as it was worked out before, or worked out now. */
export function remembered(
  setup: Setup,
  kit: Kit,
  facts: readonly Fact[],
  clock: Date,
  make: () => MeteredScene,
): MeteredScene {
  const from = dependsOn(setup, kit, facts, clock);
  const all = known.get(facts) ?? [];
  const same = all.find((one) => one.from.every((value, index) => Object.is(value, from[index])));
  if (same !== undefined) return same.scene;
  const scene = make();
  known.set(facts, [{ from, scene }, ...all].slice(0, MOST_VERSIONS));
  return scene;
}
