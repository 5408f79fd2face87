import { balance } from '../balance';
import { sunStand } from '../gain';
import { offered, type Surface } from '../gear';
import { meterScene } from '../metering';
import { wrapDeg } from '../scene';
import { type Panel, PANEL_FACTS, type PlacedLamp, type Setting, type Setup, withSettings } from '../setup';
import { brightSideDeg, usualStands } from './panelPlaces';
import { afterReadings, faceContrastOf, type Trial } from './tryPanel';

/** What brings the face nearer to the contrast that is wished, with nothing but the light that is there or a lamp beside it. */
export type ContrastWayKind =
  | { kind: 'turn'; byDeg: number }
  | { kind: 'step'; panelId: string; distanceM: number }
  | { kind: 'reflector'; surface: Surface; reflectorId: string | null }
  | { kind: 'diffuser' | 'black' }
  | { kind: 'lamp'; lampId: string; dimStops: number };

/** One way, with the contrast that it then gives. */
export interface ContrastWay {
  way: ContrastWayKind;
  contrastStops: number;
  /** as wished, or still so far over or under it */
  met: boolean;
  settings: Setting[];
}

/** So near is as wished, stops. */
const MET_STOPS = 0.15;
/** What changes the contrast by less is not worth a walk. */
const LEAST_HELP_STOPS = 0.1;
/** People turn the head or themselves so far before it is another picture. */
const TURNS_DEG = [15, 30, 45, 60] as const;
/** They step so many times as far from an opening, or nearer. */
const STEPS = [0.6, 0.75, 1.3, 1.7, 2.2] as const;
const DIFFUSER_M = 0.9;
const BLACK_M = 0.7;
const LAMP_STAND = { distanceM: 1.8, heightM: 0.2, offAxisDeg: 0 };
const FROM_NOSE_DEG = 50;
const FULL_TO_LOWEST = [0, -1, -2, -3, -4, -5, -6] as const;

interface Ids {
  panelId: string;
  lampId: string;
}

/** A face with more contrast than wished, or less, and what is tried on it. */
class Wish {
  readonly nowStops: number | null;
  readonly wantedStops: number;
  /** the side that the light comes from, seen from the nose: −1 is the camera's left */
  readonly brightSide: number;
  readonly brightDeg: number;

  constructor(
    readonly trial: Trial,
    readonly ids: Ids,
  ) {
    const { setup, kit, facts, clock } = trial;
    const scene = meterScene(setup, kit, facts, clock);
    this.nowStops = faceContrastOf(balance(setup, kit, scene));
    this.wantedStops = setup.look.faceContrastStops;
    this.brightDeg = brightSideDeg(setup, scene.openSide?.side ?? null);
    this.brightSide = wrapDeg(this.brightDeg - setup.stage.subject.turnDeg) < 0 ? -1 : 1;
  }

  get setup(): Setup {
    return this.trial.setup;
  }

  /** A way as it would come out; null where it does not help. */
  tried(way: ContrastWayKind, settings: Setting[]): ContrastWay | null {
    const { kit, facts, clock } = this.trial;
    const changed = withSettings(this.setup, settings);
    if (!changed.ok || this.nowStops === null) return null;
    const contrastStops = faceContrastOf(balance(changed.value, kit, meterScene(changed.value, kit, facts, clock)));
    if (contrastStops === null) return null;
    const off = Math.abs(contrastStops - this.wantedStops);
    if (Math.abs(this.nowStops - this.wantedStops) - off < LEAST_HELP_STOPS) return null;
    return { way, contrastStops, met: off <= MET_STOPS, settings };
  }

  best(ways: readonly (ContrastWay | null)[]): ContrastWay[] {
    const helping = ways.filter((one) => one !== null);
    const off = ({ contrastStops }: ContrastWay) => Math.abs(contrastStops - this.wantedStops);
    return helping.length === 0 ? [] : [helping.reduce((a, b) => (off(b) < off(a) ? b : a))];
  }

  /** A panel that nobody has read with yet. */
  panel(kind: Panel['kind'], over: Partial<Panel>): Panel {
    const { stand, widthM, tallM } = PANEL_FACTS[kind];
    const { at, newest } = afterReadings(this.trial);
    return {
      id: this.ids.panelId,
      kind,
      ...stand,
      turnedDeg: 0,
      reflectorId: null,
      standId: null,
      surface: 'white',
      widthM,
      tallM,
      takesStops: 1.5,
      movedAt: newest === null ? null : at,
      before: null,
      ...over,
    };
  }

  with(panel: Panel): Setting[] {
    return [{ path: 'panels', value: [...this.setup.panels, panel] }];
  }
}

function turns(wish: Wish): ContrastWay[] {
  const { turnDeg } = wish.setup.stage.subject;
  return wish.best(
    TURNS_DEG.flatMap((by) => [by, -by]).map((byDeg) =>
      wish.tried({ kind: 'turn', byDeg }, [
        { path: 'stage.subject.turnDeg', value: Math.round(wrapDeg(turnDeg + byDeg)) },
      ]),
    ),
  );
}

function steps(wish: Wish): ContrastWay[] {
  const { panels } = wish.setup;
  const { at } = afterReadings(wish.trial);
  return wish.best(
    panels
      .filter(({ kind }) => PANEL_FACTS[kind].opening)
      .flatMap((opening) =>
        STEPS.map((times) => {
          const distanceM = Number(Math.min(30, Math.max(0.7, opening.distanceM * times)).toFixed(1));
          const { sideDeg, heightM, turnedDeg } = opening;
          const before = { sideDeg, heightM, turnedDeg, distanceM: opening.distanceM };
          const moved = panels.map((one) => (one === opening ? { ...one, distanceM, movedAt: at, before } : one));
          return wish.tried({ kind: 'step', panelId: opening.id, distanceM }, [{ path: 'panels', value: moved }]);
        }),
      ),
  );
}

/** Every reflector of the kit where it is usually held; where the kit has none, a white one. */
function reflectors(wish: Wish): ContrastWay[] {
  const { kit } = wish.trial;
  const owned = offered(kit.reflectors).flatMap(({ id, surfaces }) =>
    surfaces.filter((surface) => surface !== 'black').map((surface) => ({ reflectorId: id, surface })),
  );
  const sides = owned.length > 0 ? owned : [{ reflectorId: null, surface: 'white' as const }];
  return wish.best(
    sides.flatMap(({ reflectorId, surface }) => {
      const panel = wish.panel('reflector', { reflectorId, surface });
      const trial = { ...wish.trial, setup: { ...wish.setup, panels: [...wish.setup.panels, panel] } };
      return usualStands(trial, panel).map(({ stand }) =>
        wish.tried({ kind: 'reflector', surface, reflectorId }, wish.with({ ...panel, ...stand })),
      );
    }),
  );
}

/** Cloth between the sun and the people. */
function diffusers(wish: Wish): ContrastWay[] {
  const sun = sunStand(wish.setup.stage);
  if (sun === null || sun.altitudeDeg <= 0) return [];
  const heightM = Number((DIFFUSER_M * Math.tan((Math.min(70, sun.altitudeDeg) * Math.PI) / 180)).toFixed(2));
  const panel = wish.panel('diffuser', { sideDeg: Math.round(sun.sideDeg), distanceM: DIFFUSER_M, heightM });
  return wish.best([wish.tried({ kind: 'diffuser' }, wish.with(panel))]);
}

/** Black on the dark side, where more contrast is wished. */
function blacks(wish: Wish): ContrastWay[] {
  const sideDeg = Math.round(wrapDeg(wish.setup.stage.subject.turnDeg - wish.brightSide * 80));
  const own = offered(wish.trial.kit.reflectors).find(({ surfaces }) => surfaces.includes('black'));
  const stand = { surface: 'black' as const, sideDeg, distanceM: BLACK_M, heightM: 0, reflectorId: own?.id ?? null };
  return wish.best([wish.tried({ kind: 'black' }, wish.with(wish.panel('reflector', stand)))]);
}

/** A lamp of the kit on the dark side, dimmed until it is enough. */
function lamps(wish: Wish): ContrastWay[] {
  const face = wish.setup.points.find(({ role }) => role === 'face');
  if (face === undefined) return [];
  const sideDeg = Math.round(wrapDeg(wish.setup.stage.subject.turnDeg - wish.brightSide * FROM_NOSE_DEG));
  return wish.best(
    offered(wish.trial.kit.lamps).flatMap((owned) =>
      FULL_TO_LOWEST.filter((dimStops) => dimStops === 0 || owned.dimmer !== null).map((dimStops) => {
        const lamp: PlacedLamp = {
          id: wish.ids.lampId,
          lampId: owned.id,
          pointId: face.id,
          ...LAMP_STAND,
          sideDeg,
          on: true,
          dimStops,
          kelvin: owned.kelvinHigh,
          role: null,
          standsFor: null,
          fromDusk: false,
        };
        return wish.tried({ kind: 'lamp', lampId: owned.id, dimStops }, [
          { path: 'lamps', value: [...wish.setup.lamps, lamp] },
        ]);
      }),
    ),
  );
}

/**
 * Ways to the contrast of the face that is wished, each the best of its kind and tried on the setup itself: first what gives it,
 * then what comes nearer; of each what asks for the least. A reading should follow.
 * @param ids for a panel or a lamp that a way adds
 * @returns empty before both sides of the face are metered
 */
export function contrastWays(trial: Trial, ids: Ids): ContrastWay[] {
  const wish = new Wish(trial, ids);
  if (wish.nowStops === null) return [];
  const harder = wish.nowStops < wish.wantedStops;
  const ways = harder
    ? [...turns(wish), ...steps(wish), ...blacks(wish)]
    : [...turns(wish), ...steps(wish), ...reflectors(wish), ...diffusers(wish), ...lamps(wish)];
  return [...ways.filter(({ met }) => met), ...ways.filter(({ met }) => !met)];
}
