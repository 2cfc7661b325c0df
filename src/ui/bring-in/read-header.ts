import { parse } from 'csv-parse/browser/esm/sync';

/** The column names of a CSV file, in small letters; none where its first row can't be read. */
export function headerOf(text: string): string[] {
  try {
    const rows: string[][] = parse(text, {
      bom: true,
      to_line: 1,
      relax_column_count: true,
      relax_quotes: true,
      trim: true,
    });
    return (rows[0] ?? []).map((cell) => cell.toLowerCase()).filter((cell) => cell !== '');
  } catch {
    return [];
  }
}
