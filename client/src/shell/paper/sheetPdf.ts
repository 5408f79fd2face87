import fontkit from '@pdf-lib/fontkit';
import {
  concatTransformationMatrix,
  PDFDocument,
  type PDFFont,
  type PDFPage,
  popGraphicsState,
  pushGraphicsState,
  rgb,
} from 'pdf-lib';

import type { DrawnShape, Paint, Sheet, SheetBlock, StageDrawing } from '@sphene/core/sheets';

/** Paper that a sheet is printed on; `pocket`: an A4 page to be folded twice, printed on one side. */
export const PAPERS = ['a4', 'letter', 'pocket'] as const;
export type Paper = (typeof PAPERS)[number];

/** The product's letters, as bytes of their font files. */
export interface Letters {
  regular: ArrayBuffer | Uint8Array;
  bold: ArrayBuffer | Uint8Array;
}

const A4 = { width: 595.28, height: 841.89 };
const LETTER = { width: 612, height: 792 };
/** Points in a millimetre. */
const MM = 72 / 25.4;

/** A page as the text flows over it, and how large its letters are. */
interface Leaf {
  width: number;
  height: number;
  marginPt: number;
  textPt: number;
}
const LEAVES: Record<Paper, Leaf> = {
  a4: { ...A4, marginPt: 16 * MM, textPt: 12 },
  letter: { ...LETTER, marginPt: 16 * MM, textPt: 12 },
  pocket: { width: A4.width / 2, height: A4.height / 2, marginPt: 8 * MM, textPt: 9 },
};
const LINE = 1.35;
/** Sizes against the text: title, headings, marks of things, values, labels. */
const SIZE = { title: 1.6, heading: 1.25, mark: 2.4, value: 1.15, label: 0.85 } as const;
/** A drawing is at most this part of a page's height. */
const DRAWING_PART = 0.42;

const BLACK = rgb(0, 0, 0);
const QUIET = rgb(0.33, 0.33, 0.33);
const LINE_GREY = rgb(0.62, 0.62, 0.62);
/** On paper meaning hangs on shape and letter; colours only help where there are any. */
const PAINT: Record<Paint, ReturnType<typeof rgb>> = {
  flash: rgb(0.54, 0.25, 0),
  lamp: rgb(0.54, 0.25, 0),
  ambient: rgb(0.06, 0.3, 0.53),
  person: BLACK,
  camera: BLACK,
  panel: rgb(0.3, 0.35, 0),
  background: BLACK,
  field: rgb(0.9, 0.9, 0.88),
};

/** Figures that the letters do not have, as they are written without them. */
const SPELT: Record<string, string> = { '⅓': '1/3', '⅔': '2/3', '⅛': '1/8', '⅜': '3/8', '⅝': '5/8', '⅞': '7/8' };

/** Writes blocks one under the other over as many pages as they need. */
class Flow {
  private page: PDFPage;
  private y = 0;
  private readonly known: ReadonlySet<number>;

  constructor(
    private readonly leaf: Leaf,
    private readonly fonts: { regular: PDFFont; bold: PDFFont },
    private readonly newPage: () => PDFPage,
  ) {
    this.known = new Set(fonts.regular.getCharacterSet());
    this.page = this.turn();
  }

  private get left(): number {
    return this.leaf.marginPt;
  }
  private get width(): number {
    return this.leaf.width - 2 * this.leaf.marginPt;
  }

  private turn(): PDFPage {
    this.y = this.leaf.height - this.leaf.marginPt;
    return (this.page = this.newPage());
  }

  /** Begins a page where so much does not fit on this one. */
  private need(heightPt: number): void {
    if (this.y - heightPt < this.leaf.marginPt) this.turn();
  }

  /** A text with what this font can write. */
  private spelt(text: string): string {
    return [...text.replaceAll('\u202f', ' ').replaceAll('\u00a0', ' ')]
      .map((letter) => SPELT[letter] ?? (letter === '\n' || this.known.has(letter.codePointAt(0) ?? 0) ? letter : '?'))
      .join('');
  }

  private wrapped(text: string, font: PDFFont, sizePt: number, widthPt: number): string[] {
    const fits = (line: string) => font.widthOfTextAtSize(line, sizePt) <= widthPt;
    return this.spelt(text)
      .split('\n')
      .flatMap((paragraph) => {
        const lines = [''];
        const put = (word: string) => {
          const last = lines.at(-1) ?? '';
          const longer = last === '' ? word : `${last} ${word}`;
          if (last === '' || fits(longer)) lines[lines.length - 1] = longer;
          else lines.push(word);
        };
        for (const word of paragraph.split(' ').flatMap((one) => broken(one, fits))) put(word);
        return lines;
      });
  }

  private draw(text: string, x: number, font: PDFFont, sizePt: number, color = BLACK): void {
    this.page.drawText(text, { x, y: this.y - sizePt, size: sizePt, font, color });
  }

  text(text: string, { size = 1, bold = false, color = BLACK, indentPt = 0, mark = '' } = {}): void {
    const sizePt = this.leaf.textPt * size;
    const font = bold ? this.fonts.bold : this.fonts.regular;
    this.wrapped(text, font, sizePt, this.width - indentPt).forEach((line, index) => {
      this.need(sizePt * LINE);
      if (index === 0 && mark !== '') this.draw(this.spelt(mark), this.left, this.fonts.bold, sizePt);
      this.draw(line, this.left + indentPt, font, sizePt, color);
      this.y -= sizePt * LINE;
    });
  }

  gap(lines = 0.5): void {
    this.y -= this.leaf.textPt * lines;
  }

  /** Labels with their values, as many side by side as fit. */
  figures(figures: readonly { label: string; value: string }[], indentPt = 0): void {
    const { textPt } = this.leaf;
    const [label, value] = [textPt * SIZE.label, textPt * SIZE.value];
    const room = this.width - indentPt;
    const columns = Math.max(1, Math.floor(room / (textPt * 11)));
    const columnPt = room / columns;
    for (let first = 0; first < figures.length; first += columns) {
      const row = figures.slice(first, first + columns).map((one) => ({
        label: one.label,
        lines: this.wrapped(one.value, this.fonts.bold, value, columnPt - textPt * 0.6),
      }));
      const lines = Math.max(...row.map((one) => one.lines.length));
      this.need((label + value * lines) * LINE);
      const top = this.y;
      row.forEach((one, column) => {
        const x = this.left + indentPt + column * columnPt;
        this.y = top;
        this.draw(this.spelt(one.label), x, this.fonts.regular, label, QUIET);
        this.y -= label * LINE;
        for (const line of one.lines) {
          this.draw(line, x, this.fonts.bold, value);
          this.y -= value * LINE;
        }
      });
      this.y = top - (label + value * lines) * LINE;
    }
  }

  thing({ mark, title, figures, lines }: Extract<SheetBlock, { kind: 'thing' }>): void {
    const { textPt } = this.leaf;
    const indentPt = textPt * 3.2;
    this.need(textPt * 7);
    this.rule();
    const top = this.y;
    this.draw(this.spelt(mark), this.left, this.fonts.bold, textPt * SIZE.mark);
    this.y = top;
    this.text(title, { bold: true, size: SIZE.heading, indentPt });
    for (const line of lines) this.text(line, { indentPt });
    this.figures(figures, indentPt);
    this.gap(0.4);
  }

  rule(): void {
    this.page.drawLine({
      start: { x: this.left, y: this.y },
      end: { x: this.left + this.width, y: this.y },
      thickness: 0.6,
      color: LINE_GREY,
    });
    this.gap(0.4);
  }

  /** Items with a number, a sign or boxes before each. */
  items(items: readonly string[], mark: (index: number) => string): void {
    items.forEach((item, index) => {
      this.text(item, { indentPt: this.leaf.textPt * 1.6, mark: mark(index) });
      this.gap(0.15);
    });
  }

  /** Boxes to tick with a pen, under their names. */
  ticks(boxes: readonly string[], items: readonly string[]): void {
    const { textPt } = this.leaf;
    const [boxPt, columnPt] = [textPt * 0.9, textPt * 3.4];
    this.need(textPt * LINE * 2);
    boxes.forEach((name, index) =>
      this.draw(this.spelt(name), this.left + index * columnPt, this.fonts.regular, textPt * SIZE.label, QUIET),
    );
    this.y -= textPt * LINE;
    for (const item of items) {
      this.need(textPt * LINE);
      boxes.forEach((_name, index) =>
        this.page.drawRectangle({
          x: this.left + index * columnPt,
          y: this.y - boxPt - 1,
          width: boxPt,
          height: boxPt,
          borderWidth: 0.8,
          borderColor: BLACK,
        }),
      );
      this.text(item, { indentPt: boxes.length * columnPt });
      this.gap(0.25);
    }
  }

  table(head: readonly string[], rows: readonly (readonly string[])[]): void {
    const sizePt = this.leaf.textPt * 0.9;
    const columns = Math.max(head.length, ...rows.map((row) => row.length));
    const widths = columnWidths([head, ...rows], columns, this.width);
    const row = (cells: readonly string[], font: PDFFont, color = BLACK) => {
      const wrapped = cells.map((cell, index) =>
        this.wrapped(cell, font, sizePt, (widths[index] ?? this.width) - sizePt * 0.6),
      );
      const lines = Math.max(1, ...wrapped.map((one) => one.length));
      this.need(Math.min(lines, 30) * sizePt * LINE);
      const top = this.y;
      let x = this.left;
      wrapped.forEach((one, index) => {
        this.y = top;
        for (const line of one.slice(0, 30)) {
          this.draw(line, x, font, sizePt, color);
          this.y -= sizePt * LINE;
        }
        x += widths[index] ?? 0;
      });
      this.y = top - Math.min(lines, 30) * sizePt * LINE - sizePt * 0.3;
    };
    row(head, this.fonts.bold, QUIET);
    this.rule();
    for (const cells of rows) row(cells, this.fonts.regular);
  }

  drawing({ box, shapes, scale }: StageDrawing): void {
    const [widthM, heightM] = [box.right - box.left, box.bottom - box.top];
    const perM = Math.min(this.width / widthM, (this.leaf.height * DRAWING_PART) / heightM);
    this.need(heightM * perM + this.leaf.textPt);
    const at = ({ x, y }: { x: number; y: number }) => ({
      x: this.left + (this.width - widthM * perM) / 2 + (x - box.left) * perM,
      y: this.y - (y - box.top) * perM,
    });
    for (const shape of shapes) this.shape(shape, at, perM);
    const foot = at({ x: box.left, y: box.bottom });
    this.page.drawLine({ start: foot, end: { x: foot.x + scale.lengthM * perM, y: foot.y }, thickness: 1.2 });
    this.y -= heightM * perM;
    this.draw(
      this.spelt(scale.text),
      foot.x + scale.lengthM * perM + 4,
      this.fonts.regular,
      this.leaf.textPt * SIZE.label,
    );
    this.y -= this.leaf.textPt * LINE;
  }

  private shape(
    shape: DrawnShape,
    at: (spot: { x: number; y: number }) => { x: number; y: number },
    perM: number,
  ): void {
    const color = PAINT[shape.paint];
    if (shape.kind === 'disc') {
      const radius = Math.max(2, shape.radiusM * perM);
      this.page.drawCircle({
        ...at(shape.at),
        size: radius,
        borderColor: color,
        borderWidth: 1.2,
        color: rgb(1, 1, 1),
      });
      return;
    }
    if (shape.kind === 'letter') {
      const sizePt = this.leaf.textPt * SIZE.heading;
      const text = this.spelt(shape.text);
      const { x, y } = at(shape.at);
      const half = this.fonts.bold.widthOfTextAtSize(text, sizePt) / 2;
      this.page.drawText(text, { x: x - half, y: y - sizePt * 0.35, size: sizePt, font: this.fonts.bold, color });
      return;
    }
    const points = shape.points.map(at);
    const path = points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x},${-y}`).join(' ');
    const isField = shape.paint === 'field';
    this.page.drawSvgPath(`${path}${shape.closed ? ' Z' : ''}`, {
      x: 0,
      y: 0,
      borderColor: isField ? LINE_GREY : color,
      borderWidth: shape.paint === 'background' ? 2.5 : isField ? 0.5 : 1.4,
      ...(shape.closed && (isField || shape.paint === 'person') ? { color } : {}),
    });
  }
}

/** A word in pieces that fit a line: an address has no blanks. */
function broken(word: string, fits: (text: string) => boolean): string[] {
  if (word === '' || fits(word)) return [word];
  const pieces: string[] = [];
  let piece = '';
  for (const letter of word) {
    if (piece !== '' && !fits(piece + letter)) {
      pieces.push(piece);
      piece = '';
    }
    piece += letter;
  }
  return [...pieces, piece];
}

/** Columns as wide as what stands in them, the long ones giving way. */
function columnWidths(rows: readonly (readonly string[])[], columns: number, width: number): number[] {
  const MOST_LETTERS = 48;
  const want = Array.from({ length: columns }, (_, column) =>
    rows.reduce((most, row) => Math.max(most, Math.min(MOST_LETTERS, row[column]?.length ?? 0)), 3),
  );
  const all = want.reduce((sum, one) => sum + one, 0);
  return want.map((one) => (width * one) / all);
}

function writeBlock(flow: Flow, block: SheetBlock): void {
  switch (block.kind) {
    case 'drawing':
      flow.drawing(block.drawing);
      break;
    case 'heading':
      flow.gap();
      flow.text(block.text, { bold: true, size: SIZE.heading });
      break;
    case 'figures':
      flow.figures(block.figures);
      break;
    case 'thing':
      flow.thing(block);
      break;
    case 'steps':
      flow.items(block.items, (index) => `${index + 1}`);
      break;
    case 'cautions':
      flow.items(block.items, () => '!');
      break;
    case 'ticks':
      flow.ticks(block.boxes, block.items);
      break;
    case 'table':
      flow.table(block.head, block.rows);
      break;
    case 'text':
      flow.text(block.text);
  }
  flow.gap();
}

/**
 * Where the leaves of a pocket sheet lie on an A4 page that is folded in half downwards and then in half again: the front
 * is at the bottom right, what is opened first stands on its head above it.
 */
const FOLD = [
  { x: A4.width / 2, y: 0, onItsHead: false },
  { x: A4.width / 2, y: A4.height / 2, onItsHead: true },
  { x: 0, y: A4.height / 2, onItsHead: true },
  { x: 0, y: 0, onItsHead: false },
] as const;

/** Gives the leaves of pocket pages one after the other; each page is drawn on in its own place. */
function pocketLeaves(pdf: PDFDocument): { next: () => PDFPage; end: () => void } {
  const leaf = LEAVES.pocket;
  let count = 0;
  let page: PDFPage | null = null;
  const end = () => page?.pushOperators(popGraphicsState());
  const next = (): PDFPage => {
    const place = FOLD[count % FOLD.length] ?? FOLD[0];
    if (count % FOLD.length === 0 || page === null) {
      end();
      page = pdf.addPage([A4.width, A4.height]);
    } else page.pushOperators(popGraphicsState());
    count += 1;
    page.pushOperators(
      pushGraphicsState(),
      place.onItsHead
        ? concatTransformationMatrix(-1, 0, 0, -1, place.x + leaf.width, place.y + leaf.height)
        : concatTransformationMatrix(1, 0, 0, 1, place.x, place.y),
    );
    return page;
  };
  return { next, end };
}

/**
 * A sheet as a PDF, its letters put in as far as they are used.
 * @param letters the font files; what they cannot write is spelt out, or stands as a question mark
 */
export async function sheetPdf(sheet: Sheet, paper: Paper, letters: Letters): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  pdf.setTitle(sheet.title);
  pdf.setLanguage(sheet.language);
  pdf.setProducer('Sphene');
  const fonts = {
    regular: await pdf.embedFont(letters.regular, { subset: true }),
    bold: await pdf.embedFont(letters.bold, { subset: true }),
  };
  const leaf = LEAVES[paper];
  const pocket = paper === 'pocket' ? pocketLeaves(pdf) : null;
  const flow = new Flow(leaf, fonts, () => pocket?.next() ?? pdf.addPage([leaf.width, leaf.height]));
  flow.text(sheet.title, { bold: true, size: SIZE.title });
  flow.text(sheet.under, { size: SIZE.label, color: QUIET });
  flow.gap();
  for (const block of sheet.blocks) writeBlock(flow, block);
  pocket?.end();
  return pdf.save();
}
