import { stringify } from 'csv-stringify/sync';

/** CSV (RFC 4180) whose cells no spreadsheet takes for a formula: such a cell gets an apostrophe in front. */
export const writeCsv = (table: readonly (readonly string[])[]): string =>
  stringify(
    table.map((row) =>
      row.map((cell) =>
        /^[=+\-@\t\r]/.test(cell) && !/^[+-]?\d+([.,]\d+)?$/.test(cell) ? `'${cell}` : cell,
      ),
    ),
    { record_delimiter: '\r\n', quoted_match: /[\r\n]/ },
  );
