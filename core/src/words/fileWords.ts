import type { CsvFault, MappedField, RowFault, XmpFault } from '../exchange';

/** Why files are not read, and what their columns are. */
export interface FileWords {
  column: (field: MappedField) => string;
  csvFault: (fault: CsvFault) => string;
  rowFault: (fault: RowFault) => string;
  xmpFault: (fault: XmpFault) => string;
}
