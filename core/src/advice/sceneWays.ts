import { type Balance, balance } from '../balance';
import { litOtherwise } from '../metering';
import { INCREMENT_STOPS } from '../photometry';
import { touchesPoint } from '../setup';
import type { Documents } from './documents';
import { leftOf, seenFrom, type Trouble, troubleOf } from './trouble';
import type { Way, WayOut } from './wayOut';

type SceneWay = Extract<Way, { needStops: number }>['kind'];

/**
 * What hands and time can do to the light that is there: whose light it changes, which way, and how far at most: open shade
 * lies three to four stops under the sun, a face turned from the sun loses three, a diffuser takes
 * two and a flag a little more.
 */
const SCENE_WAYS: Record<SceneWay, { asks: NonNullable<WayOut['asks']>; brighter: boolean; mostStops: number }> = {
  shade: { asks: 'subject-moved', brighter: false, mostStops: 4 },
  turn: { asks: 'head-turned', brighter: false, mostStops: 3 },
  diffuser: { asks: 'reflector', brighter: false, mostStops: 3 },
  wait: { asks: 'sun', brighter: false, mostStops: Infinity },
  'more-ambient': { asks: 'subject-moved', brighter: true, mostStops: 4 },
  'wait-darker': { asks: 'sun', brighter: true, mostStops: Infinity },
};
/** In the usual order of preference. */
const DARKER = ['shade', 'turn', 'diffuser', 'wait'] as const satisfies readonly SceneWay[];
const BRIGHTER = ['more-ambient', 'wait-darker'] as const satisfies readonly SceneWay[];

/** A way that hands must do, and the state that a new reading would then find. */
export interface TriedScene {
  kind: SceneWay;
  asks: NonNullable<WayOut['asks']>;
  needStops: number;
  after: Balance;
  /** nothing else stands in the way then */
  solves: boolean;
}

/**
 * What changes the light of the scene itself, tried on it: with just as much less or more light where that changes it as
 * cures the trouble. What the camera follows with what it changes cures nothing, and is not there.
 */
export function sceneWays(trouble: Trouble, { setup, kit, scene }: Documents, now: Balance): TriedScene[] {
  if (trouble.cures === 'power') return [];
  // what is left must round away on the camera's dials
  const step = now.gear === null ? 0 : INCREMENT_STOPS[now.gear.body.increment];
  const needs = [0, step / 2, step].map((more) => trouble.byStops + more);
  return (trouble.kind === 'too-dark' ? BRIGHTER : DARKER).flatMap((kind): TriedScene[] => {
    const { asks, brighter, mostStops } = SCENE_WAYS[kind];
    for (const needStops of needs.filter((stops) => stops <= mostStops)) {
      const byStops = brighter ? needStops : -needStops;
      const lit = litOtherwise(scene, ({ role }) => (touchesPoint(asks, role) ? byStops : 0));
      const after = seenFrom(balance(setup, kit, lit), trouble.lightId);
      if (leftOf(trouble, after) < 1e-9) return [{ kind, asks, needStops, after, solves: troubleOf(after) === null }];
    }
    return [];
  });
}
