import type { CsvFault, MappedField, RowFault, XmpFault } from '../exchange';
import type { SchemaFault } from '../gear';
import type { FileWords } from '../words';

const COLUMNS: Record<MappedField, string> = {
  time: 'Time',
  date: 'Date',
  setup: 'Setup',
  point: 'Point',
  aperture: 'Aperture',
  shutter: 'Shutter',
  iso: 'ISO',
  note: 'Note',
};

function csvFault(fault: CsvFault): string {
  switch (fault.kind) {
    case 'empty':
      return 'There is nothing in this file.';
    case 'not-utf8':
      return `Line ${fault.line} is not UTF-8. Save the table as CSV in UTF-8 and choose it again.`;
    case 'binary':
      return `Line ${fault.line} holds what no text holds: this is no CSV file.`;
    case 'too-wide':
      return `Line ${fault.line} has over ${fault.most} columns: this is no table of readings.`;
    case 'cell-too-long':
      return `Line ${fault.line} has a cell of over ${fault.most} letters. Is a quotation mark missing?`;
    case 'too-large':
      return `The file is over ${fault.mostMb} MB. Bring it in parts.`;
    case 'quotes':
      return `Line ${fault.line}: a quotation mark is missing, or one is too many.`;
    case 'unreadable':
      return 'The file could not be read. Choose it again.';
  }
}

/** @param schema how a schema's fault is said */
function rowFault(fault: RowFault, schema: (fault: SchemaFault) => string): string {
  switch (fault.kind) {
    case 'json':
      return `the column “${fault.column}” is damaged`;
    case 'schema':
      return schema(fault.fault);
    case 'newer':
      return `it is of version ${fault.version}, newer than this application; update it first`;
    case 'time':
      return fault.text === ''
        ? 'there is no time'
        : `“${fault.text}” is no time; write 2026-02-27 14:12, or date and time in two columns`;
    case 'setup':
      return `there is no setup “${fault.text}” here`;
    case 'point':
      return `there is no point “${fault.text}”; there are ${fault.known.join(', ')}`;
    case 'aperture':
      return `“${fault.text}” is no aperture; write f/5.6, or 5.6 and tenths such as 5.6 4`;
    case 'shutter':
      return `“${fault.text}” is no shutter speed; write 1/125 or 2 s`;
    case 'iso':
      return `“${fault.text}” is no ISO; write 400`;
    case 'nothing':
      return 'there is neither an aperture nor a note';
  }
}

function xmpFault(fault: XmpFault): string {
  switch (fault.kind) {
    case 'too-large':
      return `It is over ${fault.mostKb} kB: no sidecar is.`;
    case 'doctype':
      return 'It declares a document type, which sidecars do not. It was not read.';
    case 'too-deep':
      return 'It is nested deeper than sidecars are. It was not read.';
    case 'damaged':
      return 'It is no whole XML file.';
    case 'not-ours':
      return 'It does not say how its frame was lit: it was not written here, or by a newer version.';
  }
}

/** Files in English. @param schema how a schema's fault is said */
export const englishFiles = (schema: (fault: SchemaFault) => string): FileWords => ({
  column: (field) => COLUMNS[field],
  csvFault,
  rowFault: (fault) => rowFault(fault, schema),
  xmpFault,
});
