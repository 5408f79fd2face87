import type { Beam } from '../modifiers';
import { failure, type Outcome, success } from '../photometry';

/** What an IES LM-63 photometric file says of a lamp or a modifier, as far as its beam goes. */
export interface IesBeam {
  /** from its keywords, else empty */
  name: string;
  beam: Extract<Beam, { kind: 'table' }>;
  /** intensity on the axis, candela */
  axisCandela: number;
  /** lumens of all lamps; null for an absolute file */
  lumens: number | null;
}

/** Why a text is no beam; lines are counted from 1. */
export type IesFault =
  | { kind: 'not-ies' | 'tilt-missing' }
  | { kind: 'tilt'; line: number; text: string }
  | { kind: 'not-a-number'; line: number; text: string }
  | { kind: 'ends-early'; line: number }
  | { kind: 'angle-count'; line: number; which: 'vertical' | 'horizontal'; count: number }
  | { kind: 'type'; line: number; type: number }
  | { kind: 'table-short'; line: number; missing: number; wanted: number }
  | { kind: 'table-long'; line: number; vertical: number; horizontal: number }
  | { kind: 'angles-fall' | 'not-from-axis' | 'negative' | 'no-light-on-axis' | 'too-few-angles'; line: number };

const KEYWORD = /^\[([A-Z_]+)\]\s*(.*)$/;
const MOST_ANGLES = 181;
/** Photometry is of a luminaire that looks down (type C), or of a searchlight (types A and B), which we do not read. */
const TYPE_C = 1;

/** The numbers of a file with the line that each stands in. */
interface Figure {
  value: number;
  line: number;
}

/**
 * Reads an IES LM-63 file (1986 to 2019): keywords, TILT, and the candela table, whose planes are averaged to one beam
 * about the axis. Source: ANSI/IES LM-63.
 * @returns the beam, or what is wrong, and in which line
 */
// eslint-disable-next-line complexity, max-lines-per-function -- the order of lines in the file format
export function readIes(text: string): Outcome<IesBeam, IesFault> {
  const lines = text.split(/\r\n|\r|\n/);
  if (!/^(IESNA|IES:|IESNA:)/.test(lines[0] ?? '') && !lines.slice(0, 40).some((line) => line.startsWith('TILT=')))
    return failure({ kind: 'not-ies' });
  const tiltAt = lines.findIndex((line) => line.startsWith('TILT='));
  if (tiltAt < 0) return failure({ kind: 'tilt-missing' });
  if (lines[tiltAt]?.trim() !== 'TILT=NONE')
    return failure({ kind: 'tilt', line: tiltAt + 1, text: lines[tiltAt]?.trim().slice(0, 40) ?? '' });
  const keywords = new Map(
    lines.slice(0, tiltAt).flatMap((line): [string, string][] => {
      const match = KEYWORD.exec(line.trim());
      return match?.[1] === undefined ? [] : [[match[1], match[2]?.trim() ?? '']];
    }),
  );

  const figures: Figure[] = [];
  for (let index = tiltAt + 1; index < lines.length; index += 1)
    for (const word of (lines[index] ?? '')
      .trim()
      .split(/[\s,]+/)
      .filter((part) => part !== '')) {
      const value = Number(word);
      if (!Number.isFinite(value)) return failure({ kind: 'not-a-number', line: index + 1, text: word.slice(0, 20) });
      figures.push({ value, line: index + 1 });
    }
  const lastLine = figures.at(-1)?.line ?? tiltAt + 1;
  if (figures.length < 13) return failure({ kind: 'ends-early', line: lastLine });
  const at = (index: number): Figure => figures[index] ?? { value: NaN, line: lastLine };
  const [lamps, perLamp, multiplier, vertical, horizontal, type] = [0, 1, 2, 3, 4, 5].map(at) as [
    Figure,
    Figure,
    Figure,
    Figure,
    Figure,
    Figure,
  ];
  for (const [what, { value, line }] of [
    ['vertical', vertical],
    ['horizontal', horizontal],
  ] as const)
    if (!Number.isInteger(value) || value < 1 || value > 721)
      return failure({ kind: 'angle-count', line, which: what, count: value });
  if (type.value !== TYPE_C) return failure({ kind: 'type', line: type.line, type: type.value });
  const first = 13;
  const wanted = first + vertical.value + horizontal.value + vertical.value * horizontal.value;
  if (figures.length < wanted)
    return failure({ kind: 'table-short', line: lastLine, missing: wanted - figures.length, wanted: wanted - first });
  if (figures.length > wanted)
    return failure({
      kind: 'table-long',
      line: at(wanted).line,
      vertical: vertical.value,
      horizontal: horizontal.value,
    });

  const angles = figures.slice(first, first + vertical.value);
  for (let index = 1; index < angles.length; index += 1)
    if ((angles[index]?.value ?? 0) <= (angles[index - 1]?.value ?? 0))
      return failure({ kind: 'angles-fall', line: angles[index]?.line ?? lastLine });
  if (angles[0]?.value !== 0) return failure({ kind: 'not-from-axis', line: angles[0]?.line ?? lastLine });
  const table = first + vertical.value + horizontal.value;
  const candela = angles.map((_, v) => {
    let sum = 0;
    for (let h = 0; h < horizontal.value; h += 1) sum += at(table + h * vertical.value + v).value;
    return (sum / horizontal.value) * multiplier.value;
  });
  const negative = figures.slice(table).find(({ value }) => value < 0);
  if (negative !== undefined) return failure({ kind: 'negative', line: negative.line });
  const axisCandela = candela[0] ?? 0;
  if (!(axisCandela > 0)) return failure({ kind: 'no-light-on-axis', line: at(table).line });
  // a beam of at most one step a degree: every so many rows of a finer table
  const every = Math.ceil(angles.length / MOST_ANGLES);
  const kept = angles
    .map((_, index) => index)
    .filter((index) => index % every === 0 && (angles[index]?.value ?? 0) <= 180);
  if (kept.length < 2) return failure({ kind: 'too-few-angles', line: vertical.line });
  return success({
    name: (keywords.get('LUMINAIRE') ?? keywords.get('LUMCAT') ?? keywords.get('LAMP') ?? '').slice(0, 80),
    beam: {
      kind: 'table',
      anglesDeg: kept.map((index) => angles[index]?.value ?? 0),
      relative: kept.map((index) => Math.min(100, (candela[index] ?? 0) / axisCandela)),
    },
    axisCandela,
    lumens: perLamp.value < 0 ? null : lamps.value * perLamp.value,
  });
}
