import { AtkinsonHyperlegibleNext_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
import { Asset } from 'expo-asset';

import type { Sheet } from '@sphene/core/sheets';
import { downloadBlob, fileNameOf } from '../download';
import type { Paper } from './sheetPdf';

const bytesOf = async (font: number): Promise<ArrayBuffer> => (await fetch(Asset.fromModule(font).uri)).arrayBuffer();

/** Writes a sheet as a PDF and hands it to the browser. What writes PDFs is fetched when the first one is wanted. */
export async function downloadSheet(sheet: Sheet, paper: Paper): Promise<void> {
  const [{ sheetPdf }, regular, bold] = await Promise.all([
    import('./sheetPdf'),
    bytesOf(AtkinsonHyperlegibleNext_400Regular),
    bytesOf(AtkinsonHyperlegibleNext_700Bold),
  ]);
  const bytes = await sheetPdf(sheet, paper, { regular, bold });
  downloadBlob(
    fileNameOf(sheet.title, 'pdf'),
    new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/pdf' }),
  );
}
