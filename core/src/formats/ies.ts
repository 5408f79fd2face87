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
 * @returns the beam, or a message that names the line that is wrong and what would be right
 */
export function readIes(text: string): Outcome<IesBeam> {
  const lines = text.split(/\r\n|\r|\n/);
  if (!/^(IESNA|IES:|IESNA:)/.test(lines[0] ?? '') && !lines.slice(0, 40).some((line) => line.startsWith('TILT=')))
    return failure('This is not an IES file: it begins with IESNA:LM-63 and has a line TILT=NONE.');
  const tiltAt = lines.findIndex((line) => line.startsWith('TILT='));
  if (tiltAt < 0) return failure('Line TILT= is missing: it stands before the figures, as TILT=NONE.');
  if (lines[tiltAt]?.trim() !== 'TILT=NONE')
    return failure(`Line ${tiltAt + 1}: only TILT=NONE is read, not ${lines[tiltAt]?.trim().slice(0, 40) ?? ''}.`);
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
      if (!Number.isFinite(value)) return failure(`Line ${index + 1}: “${word.slice(0, 20)}” is not a number.`);
      figures.push({ value, line: index + 1 });
    }
  const lastLine = figures.at(-1)?.line ?? tiltAt + 1;
  if (figures.length < 13)
    return failure(`Line ${lastLine}: the file ends early; after TILT come 13 figures and then the angles.`);
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
      return failure(`Line ${line}: the number of ${what} angles is a whole number from 1 to 721, not ${value}.`);
  if (type.value !== TYPE_C)
    return failure(`Line ${type.line}: photometric type ${type.value} is not read; only type 1 (C) is.`);
  const first = 13;
  const wanted = first + vertical.value + horizontal.value + vertical.value * horizontal.value;
  if (figures.length < wanted)
    return failure(
      `Line ${lastLine}: the file ends early; ${wanted - figures.length} of its ${wanted - first} angles and candela values are missing.`,
    );
  if (figures.length > wanted)
    return failure(
      `Line ${at(wanted).line}: there are more figures than the ${vertical.value} by ${horizontal.value} angles ask for.`,
    );

  const angles = figures.slice(first, first + vertical.value);
  for (let index = 1; index < angles.length; index += 1)
    if ((angles[index]?.value ?? 0) <= (angles[index - 1]?.value ?? 0))
      return failure(`Line ${angles[index]?.line ?? lastLine}: vertical angles rise from one to the next.`);
  if (angles[0]?.value !== 0)
    return failure(
      `Line ${angles[0]?.line ?? lastLine}: the beam is read from its axis, so that the first vertical angle is 0.`,
    );
  const table = first + vertical.value + horizontal.value;
  const candela = angles.map((_, v) => {
    let sum = 0;
    for (let h = 0; h < horizontal.value; h += 1) sum += at(table + h * vertical.value + v).value;
    return (sum / horizontal.value) * multiplier.value;
  });
  const negative = figures.slice(table).find(({ value }) => value < 0);
  if (negative !== undefined) return failure(`Line ${negative.line}: a candela value is never negative.`);
  const axisCandela = candela[0] ?? 0;
  if (!(axisCandela > 0)) return failure(`Line ${at(table).line}: there is no light on the axis.`);
  // a beam of at most one step a degree: every so many rows of a finer table
  const every = Math.ceil(angles.length / MOST_ANGLES);
  const kept = angles
    .map((_, index) => index)
    .filter((index) => index % every === 0 && (angles[index]?.value ?? 0) <= 180);
  if (kept.length < 2) return failure(`Line ${vertical.line}: a beam needs at least two vertical angles.`);
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
