import { readFileSync } from 'node:fs';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** A PDF as its reader has it: how large each page is in points, and what stands on it. */
export async function readPdf(file: string): Promise<{ width: number; height: number; text: string }[]> {
  const pdf = await getDocument({ data: new Uint8Array(readFileSync(file)), verbosity: 0 }).promise;
  const numbers = Array.from({ length: pdf.numPages }, (_, i) => i + 1);
  return Promise.all(
    numbers.map(async (number) => {
      const page = await pdf.getPage(number);
      const { items } = await page.getTextContent();
      const [, , width = 0, height = 0] = page.view;
      return { width, height, text: items.map((item) => ('str' in item ? item.str : '')).join(' ') };
    }),
  );
}
