import type { Workbook } from 'exceljs';
import type { Report, ReportTable } from './report';

/** How wide a column is at most, in characters. */
const widest = 70;
/** Names of sheets: at most 31 characters, none of these (ECMA-376 part 1, 18.2.19; what spreadsheets refuse). */
const notInNames = /[\\/*?:[\]]/g;

/**
 * A report as a workbook: a sheet that says what it is, then a sheet for each table, its header held and filtered.
 * Cells are typed as text or number, so no text is taken for a formula.
 */
export async function drawWorkbook(report: Report, at: Date): Promise<Buffer> {
  // Loaded where a workbook is wanted: it is larger than all the rest of a thread.
  const { default: ExcelJS } = await import('exceljs');
  const book = new ExcelJS.Workbook();
  book.creator = 'Currycomb';
  book.created = at;
  book.modified = at;
  const first = book.addWorksheet('Report');
  first.getColumn(1).width = widest;
  first.addRow([report.title]).font = { bold: true, size: 14 };
  for (const line of [...report.about, report.figure, ...report.signatures]) first.addRow([line]);
  for (const table of report.tables) addSheet(book, table);
  return Buffer.from(await book.xlsx.writeBuffer());
}

function addSheet(book: Workbook, { title, columns, rows }: ReportTable): void {
  const sheet = book.addWorksheet(nameOf(book, title), { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.columns = columns.map((header, n) => ({
    header,
    width: Math.min(widest, widthOf(header, rows.slice(0, 200), n)),
    style: { alignment: { vertical: 'top', wrapText: true } },
  }));
  sheet.getRow(1).font = { bold: true };
  for (const row of rows) sheet.addRow([...row]);
  sheet.autoFilter = { from: { row: 1, column: 1 }, to: { row: 1, column: columns.length } };
}

function widthOf(header: string, rows: readonly (readonly (string | number)[])[], column: number): number {
  let most = header.length;
  for (const row of rows) most = Math.max(most, String(row[column] ?? '').length);
  return most + 2;
}

function nameOf(book: Workbook, title: string): string {
  const name = title.replace(notInNames, ' ').slice(0, 31).trim() || 'Table';
  return book.getWorksheet(name) ? `${name.slice(0, 27)} ${book.worksheets.length}` : name;
}
