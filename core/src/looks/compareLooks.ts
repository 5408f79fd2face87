import { LOOK_FIGURES, type LookFigures, type LookLight, type LookPicture } from '../record';
import { wrapDeg } from '../scene';
import type { LightRole } from '../setup';

type Figure = (typeof LOOK_FIGURES)[number];
const LIGHT_FIGURES = ['noseDeg', 'riseDeg', 'sizeDeg', 'halfBeamDeg', 'gelMired'] as const;
export type LightFigure = (typeof LIGHT_FIGURES)[number];

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
  | { kind: 'no-light'; role: LightRole; nth: number; met: false };

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

/**
 * Two pictures, relation by relation: those of the first that are known, in the order in which they are told. Mirrored places of
 * lights count as the same where both keys stand so towards the ambient.
 */
export function compareLooks(wanted: LookPicture, is: LookPicture): LookRow[] {
  const mirrored = isMirrored(wanted, is);
  const there = is.lights.map((light) => (mirrored ? { ...light, noseDeg: -light.noseDeg } : light));
  return [
    ...figureRows(wanted.figures, is.figures),
    ...wanted.lights.flatMap((light, index) => {
      const nth = wanted.lights.slice(0, index).filter(({ role }) => role === light.role).length;
      return lightRows(light, there.filter(({ role }) => role === light.role)[nth], nth);
    }),
  ];
}

/** Whether the keys of two pictures stand on opposite sides of the nose, both as they should towards the ambient. */
export function isMirrored(one: LookPicture, other: LookPicture): boolean {
  const keyOf = ({ lights }: LookPicture) => lights.find(({ role }) => role === 'key')?.noseDeg ?? 0;
  return one.keySide !== null && one.keySide === other.keySide && keyOf(one) * keyOf(other) < 0;
}
