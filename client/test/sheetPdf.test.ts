import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { PDFDocument } from 'pdf-lib';

import type { Sheet } from '@sphene/core/sheets';
import { PAPERS, sheetPdf } from '../src/shell/paper/sheetPdf';

const FONTS = '@expo-google-fonts/atkinson-hyperlegible-next';
const bytesOf = (file: string): Uint8Array => Uint8Array.from(readFileSync(require.resolve(`${FONTS}/${file}`)));
const LETTERS = {
  regular: bytesOf('400Regular/AtkinsonHyperlegibleNext_400Regular.ttf'),
  bold: bytesOf('700Bold/AtkinsonHyperlegibleNext_700Bold.ttf'),
};
const sheetOf = (text: string, rows = 1): Sheet => ({
  language: 'en',
  title: text,
  under: text,
  blocks: [
    { kind: 'heading', text },
    { kind: 'figures', figures: [{ label: text, value: text }] },
    { kind: 'thing', mark: 'A', title: text, figures: [{ label: text, value: text }], lines: [text] },
    { kind: 'ticks', boxes: ['Out', 'Back'], items: [text] },
    { kind: 'table', head: ['a', 'b'], rows: Array.from({ length: rows }, () => [text, text]) },
    { kind: 'cautions', items: [text] },
  ],
});

describe('a sheet as PDF', () => {
  it('holds any text as text: no script, no action, no broken file', async () => {
    const nasty = fc.oneof(
      fc.string({ unit: 'binary', maxLength: 120 }),
      fc.constantFrom(
        '<script>alert(1)</script>',
        ') /OpenAction << /S /JavaScript /JS (app.alert(1)) >> (',
        '\u0000\ud800\udfff\u202e',
        '⅓ ⅔ ½ → 漢字',
        'x'.repeat(400),
      ),
    );
    await fc.assert(
      fc.asyncProperty(nasty, fc.constantFrom(...PAPERS), async (text, paper) => {
        const bytes = await sheetPdf(sheetOf(text), paper, LETTERS);
        const pdf = await PDFDocument.load(bytes);
        const { catalog } = pdf;
        expect(catalog.toString()).not.toMatch(/JavaScript|OpenAction|\/AA/);
        expect(pdf.getPageCount()).toBeGreaterThan(0);
      }),
      { numRuns: 12 },
    );
    // each sheet takes its letters out of two font files
  }, 120_000);

  it('goes on over as many pages as it needs', async () => {
    const pagesOf = async (rows: number) =>
      (await PDFDocument.load(await sheetPdf(sheetOf('Key A at 1/16', rows), 'a4', LETTERS))).getPageCount();
    expect(await pagesOf(1)).toBe(1);
    expect(await pagesOf(300)).toBeGreaterThan(5);
  });

  it('folds four small pages into one of A4', async () => {
    const pocket = await PDFDocument.load(await sheetPdf(sheetOf('Key A', 60), 'pocket', LETTERS));
    const small = await PDFDocument.load(await sheetPdf(sheetOf('Key A', 60), 'a4', LETTERS));
    expect(pocket.getPage(0).getSize().width).toBeCloseTo(small.getPage(0).getSize().width, 1);
    expect(pocket.getPageCount()).toBeLessThanOrEqual(small.getPageCount() + 1);
  });
});
