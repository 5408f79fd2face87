import {
  LOOK_FIGURES,
  type LookFigures,
  type LookLamp,
  type LookLight,
  type LookPanel,
  type LookPicture,
} from '../record';
import { wrapDeg } from '../scene';
import type { LightRole } from '../setup';

type Figure = (typeof LOOK_FIGURES)[number];
const LIGHT_FIGURES = ['noseDeg', 'riseDeg', 'sizeDeg', 'halfBeamDeg', 'gelMired'] as const;
export type LightFigure = (typeof LIGHT_FIGURES)[number];
const LAMP_FIGURES = ['noseDeg', 'riseDeg', 'overAmbientStops', 'ambientMired'] as const;
const PANEL_FIGURES = ['noseDeg', 'riseDeg', 'sizeDeg'] as const;

/** One relation of two pictures: what was wanted, what is, and whether that is the same to the eye. */
export type LookRow =
  | { kind: 'figure'; figure: Figure; wanted: number; is: number | null; met: boolean }
  | {
      kind: 'light';
      role: LightRole;
      /** which of its role, from 0 */
      nth: number;
      figure: LightFigure;
      wanted: number;
      is: number;
      met: boolean;
    }
  | { kind: 'no-light' | 'no-lamp'; role: LightRole; nth: number; met: false }
  | {
      kind: 'lamp';
      role: LightRole;
      nth: number;
      figure: (typeof LAMP_FIGURES)[number];
      wanted: number;
      is: number | null;
      met: boolean;
    }
  | {
      kind: 'panel';
      panel: Pick<LookPanel, 'kind' | 'surface'>;
      nth: number;
      figure: (typeof PANEL_FIGURES)[number];
      wanted: number;
      is: number;
      met: boolean;
    }
  | { kind: 'no-panel'; panel: Pick<LookPanel, 'kind' | 'surface'>; nth: number; met: false };

/** What is taken for the same: a sixth of a stop, and what nobody sees of depth, colour and places. */
const SAME = { stops: 1 / 6, times: 1.25, mired: 15, deg: 8 } as const;

/** Shadows of sources this small are hard whatever their size. */
const HARD_DEG = 3;

const nearlyTimes = (a: number, b: number): boolean => Math.max(a / b, b / a) <= SAME.times;

function sameFigure(figure: Figure, wanted: number, is: number): boolean {
  const off = Math.abs(wanted - is);
  switch (figure) {
    case 'flashShare':
      // as far as the hold-back that it stands for
      return Math.abs(Math.log2((1 - wanted) / (1 - is))) <= SAME.stops + 1e-9;
    case 'depthM':
      return wanted === is || nearlyTimes(wanted, is);
    case 'keyOverAmbientMired':
    case 'whiteBalanceMired':
      return off <= SAME.mired;
    default:
      return off <= SAME.stops + 1e-9;
  }
}

function sameLight(figure: LightFigure, wanted: number, is: number): boolean {
  switch (figure) {
    case 'sizeDeg':
      return (wanted <= HARD_DEG && is <= HARD_DEG) || nearlyTimes(wanted, is);
    case 'halfBeamDeg':
      return nearlyTimes(wanted, is);
    case 'gelMired':
      return Math.abs(wanted - is) <= SAME.mired;
    default:
      return Math.abs(wrapDeg(wanted - is)) <= SAME.deg;
  }
}

const figureRows = (wanted: LookFigures, is: LookFigures): LookRow[] =>
  LOOK_FIGURES.flatMap((figure): LookRow[] => {
    const [should, does] = [wanted[figure], is[figure]];
    if (should === null) return [];
    return [
      { kind: 'figure', figure, wanted: should, is: does, met: does !== null && sameFigure(figure, should, does) },
    ];
  });

function lightRows(wanted: LookLight, its: LookLight | undefined, nth: number): LookRow[] {
  if (its === undefined) return [{ kind: 'no-light', role: wanted.role, nth, met: false }];
  return LIGHT_FIGURES.flatMap((figure): LookRow[] => {
    const should = wanted[figure];
    if (should === null) return [];
    // a light without grid or snoot reaches everywhere
    const does = its[figure] ?? 90;
    return [
      { kind: 'light', role: wanted.role, nth, figure, wanted: should, is: does, met: sameLight(figure, should, does) },
    ];
  });
}

/** The dimmer of a lamp has steps: as near as this nobody sees it. */
const LAMP_STOPS = 1 / 4;

function lampRows(wanted: LookLamp, its: LookLamp | undefined, nth: number): LookRow[] {
  const { role } = wanted;
  if (its === undefined) return [{ kind: 'no-lamp', role, nth, met: false }];
  return LAMP_FIGURES.flatMap((figure): LookRow[] => {
    const [should, does] = [wanted[figure], its[figure]];
    if (should === null) return [];
    const most = figure === 'overAmbientStops' ? LAMP_STOPS : figure === 'ambientMired' ? SAME.mired : SAME.deg;
    const off = does === null ? Infinity : Math.abs(figure === 'noseDeg' ? wrapDeg(should - does) : should - does);
    return [{ kind: 'lamp', role, nth, figure, wanted: should, is: does, met: off <= most + 1e-9 }];
  });
}

function panelRows({ kind, surface, ...wanted }: LookPanel, its: LookPanel | undefined, nth: number): LookRow[] {
  const panel = { kind, surface };
  if (its === undefined) return [{ kind: 'no-panel', panel, nth, met: false }];
  return PANEL_FIGURES.map((figure): LookRow => {
    const [should, is] = [wanted[figure], its[figure]];
    const met = figure === 'sizeDeg' ? nearlyTimes(should, is) : Math.abs(wrapDeg(should - is)) <= SAME.deg;
    return { kind: 'panel', panel, nth, figure, wanted: should, is, met };
  });
}

/** Each thing with the one of the same sort in another list: the first with the first, the second with the second. */
function paired<T>(
  wanted: readonly T[],
  there: readonly T[],
  isAlike: (a: T, b: T) => boolean,
): { one: T; its: T | undefined; nth: number }[] {
  return wanted.map((one, index) => {
    const nth = wanted.slice(0, index).filter((other) => isAlike(one, other)).length;
    return { one, its: there.filter((other) => isAlike(one, other))[nth], nth };
  });
}

const sameRole = (a: { role: LightRole }, b: { role: LightRole }): boolean => a.role === b.role;
const samePanel = (a: LookPanel, b: LookPanel): boolean =>
  a.kind === b.kind && (a.kind !== 'reflector' || a.surface === b.surface);

/**
 * Two pictures, relation by relation: those of the first that are known, in the order in which they are told. Mirrored places of
 * lights count as the same where both keys stand so towards the ambient.
 */
export function compareLooks(wanted: LookPicture, is: LookPicture): LookRow[] {
  const turned = <T extends { noseDeg: number }>(all: readonly T[]): T[] =>
    isMirrored(wanted, is) ? all.map((one) => ({ ...one, noseDeg: -one.noseDeg })) : [...all];
  return [
    ...figureRows(wanted.figures, is.figures),
    ...paired(wanted.lights, turned(is.lights), sameRole).flatMap(({ one, its, nth }) => lightRows(one, its, nth)),
    ...paired(wanted.lamps, turned(is.lamps), sameRole).flatMap(({ one, its, nth }) => lampRows(one, its, nth)),
    ...paired(wanted.panels, turned(is.panels), samePanel).flatMap(({ one, its, nth }) => panelRows(one, its, nth)),
  ];
}

/** Whether the keys of two pictures stand on opposite sides of the nose, both as they should towards the ambient. */
export function isMirrored(one: LookPicture, other: LookPicture): boolean {
  const keyOf = ({ lights, lamps }: LookPicture) =>
    [...lights, ...lamps].find(({ role }) => role === 'key')?.noseDeg ?? 0;
  return one.keySide !== null && one.keySide === other.keySide && keyOf(one) * keyOf(other) < 0;
}

/** What of a picture is to be changed so that it is the same: a light, a lamp, a panel, or what the whole hangs on. */
export type LookCulprit =
  | { kind: 'light' | 'lamp'; role: LightRole; nth: number }
  | { kind: 'panel'; panel: Pick<LookPanel, 'kind' | 'surface'>; nth: number }
  | { kind: 'ambient' | 'white-balance' | 'depth' };

/** Which figure hangs on what, where every light stands as it should. */
const CULPRITS: Record<Figure, LookCulprit> = {
  faceStops: { kind: 'light', role: 'key', nth: 0 },
  holdBackStops: { kind: 'light', role: 'key', nth: 0 },
  flashShare: { kind: 'light', role: 'key', nth: 0 },
  backgroundStops: { kind: 'ambient' },
  backgroundHoldBackStops: { kind: 'light', role: 'background', nth: 0 },
  faceRatioStops: { kind: 'light', role: 'fill', nth: 0 },
  keyOverFillStops: { kind: 'light', role: 'fill', nth: 0 },
  rimOverKeyStops: { kind: 'light', role: 'rim', nth: 0 },
  depthM: { kind: 'depth' },
  keyOverAmbientMired: { kind: 'light', role: 'key', nth: 0 },
  whiteBalanceMired: { kind: 'white-balance' },
};

/**
 * What to change so that a second session looks as the first: each once, in the order in which it is told; empty: it passes.
 * @param rows of `compareLooks`
 */
export function toChange(rows: readonly LookRow[], wanted: LookPicture): LookCulprit[] {
  const has = (role: LightRole) => [...wanted.lights, ...wanted.lamps].some((one) => one.role === role);
  const isLamp = (role: LightRole) => !wanted.lights.some((one) => one.role === role);
  const culpritOf = (row: LookRow): LookCulprit => {
    switch (row.kind) {
      case 'figure': {
        const culprit = CULPRITS[row.figure];
        // a light that the look does not have cannot be what is wrong
        if (culprit.kind !== 'light') return culprit;
        if (!has(culprit.role)) return { kind: 'ambient' };
        return isLamp(culprit.role) ? { ...culprit, kind: 'lamp' } : culprit;
      }
      case 'light':
      case 'no-light':
        return { kind: 'light', role: row.role, nth: row.nth };
      case 'lamp':
      case 'no-lamp':
        return { kind: 'lamp', role: row.role, nth: row.nth };
      case 'panel':
      case 'no-panel':
        return { kind: 'panel', panel: row.panel, nth: row.nth };
    }
  };
  const all = rows.filter(({ met }) => !met).map(culpritOf);
  const nameOf = (one: LookCulprit) => JSON.stringify(one);
  return all.filter((one, index) => all.findIndex((other) => nameOf(other) === nameOf(one)) === index);
}
