/** A title that counts: “Week 3: Stage”, “Unit IV”, “Lesson 2.1”. */
export interface NumberLabel {
  /** The word before the number, lower case: week, unit … */
  readonly label: string;
  readonly numbers: readonly number[];
}

const words = 'weeks?|wk|units?|lessons?|modules?|chapters?|ch|sessions?|topics?|parts?|labs?';
const pattern = new RegExp(`^\\W*(${words})\\.?\\s*[#:]?\\s*(\\d{1,3}(?:\\.\\d{1,3})*|[ivxl]{1,6})(?![\\p{L}\\p{N}])`, 'iu');
const spelled: Readonly<Record<string, string>> = { wk: 'week', ch: 'chapter' };

/** The label and number that a title begins with; null where it has none. Roman numbers up to 89 are read. */
export function numberLabel(title: string): NumberLabel | null {
  const found = pattern.exec(title.normalize('NFKC'));
  if (!found) return null;
  const word = found[1]!.toLowerCase();
  const label = spelled[word] ?? word.replace(/s$/, '');
  const written = found[2]!;
  if (/^\d/.test(written)) return { label, numbers: written.split('.').map(Number) };
  const roman = romanNumber(written.toUpperCase());
  return roman === null ? null : { label, numbers: [roman] };
}

export const sameNumber = (a: NumberLabel, b: NumberLabel): boolean => a.label === b.label && a.numbers.join('.') === b.numbers.join('.');

const romanValues: Readonly<Record<string, number>> = { I: 1, V: 5, X: 10, L: 50 };

function romanNumber(text: string): number | null {
  if (!/^(XL|L?X{0,3})(IX|IV|V?I{0,3})$/.test(text) || text === '') return null;
  let sum = 0;
  for (let i = 0; i < text.length; i += 1) {
    const value = romanValues[text[i]!]!;
    sum += value < (romanValues[text[i + 1] ?? ''] ?? 0) ? -value : value;
  }
  return sum;
}
