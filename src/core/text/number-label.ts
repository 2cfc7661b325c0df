import { english } from './english';

/** A title that counts: “Week 3: Stage”, “Unit IV”, “Lesson 2.1”, “2.3 Velocity”. */
export interface NumberLabel {
  /** The word before the number, lower case and in full: week, unit …; `#` where a title begins with the number itself. */
  readonly label: string;
  /** The word as the title spells it, with its number's form: `Week 1`, `Wk 1`, `W1`, `Week 01`, `Week I`. */
  readonly form: string;
  readonly numbers: readonly number[];
  /** Offset in the title at which the label ends. */
  readonly end: number;
}

const words = Object.keys(english.seriesLabels)
  .sort((a, b) => b.length - a.length)
  .join('|');
const labelled = new RegExp(
  `^\\W*(${words})\\.?(\\s*[#:]?\\s*)(\\d{1,3}(?:\\.\\d{1,3})*|[ivxl]{1,6}|${english.spelledNumbers.join('|')})(?![\\p{L}\\p{N}])`,
  'iu',
);
const bare = /^\s*(\d{1,2}(?:\.\d{1,2})+\.?|\d{1,2}[.)])(?=\s+\p{L})/u;

/** The label and number that a title begins with; null where it has none. Roman numbers up to 89 are read. */
export function numberLabel(title: string): NumberLabel | null {
  const text = title.normalize('NFKC');
  const found = labelled.exec(text);
  if (!found) {
    const plain = bare.exec(text);
    return plain
      ? {
          label: '#',
          form: '#',
          numbers: plain[1]!.replace(/[.)]$/, '').split('.').map(Number),
          end: plain[0].length,
        }
      : null;
  }
  const word = found[1]!;
  const label = english.seriesLabels[word.toLowerCase()]!;
  const written = found[3]!;
  const end = found[0].length;
  const form = (number: string) => `${word}${found[2]!.includes(' ') ? ' ' : ''}${number}`;
  if (/^\d/.test(written))
    return {
      label,
      form: form(/^0\d/.test(written) ? '01' : '1'),
      numbers: written.split('.').map(Number),
      end,
    };
  // “W I” is more often something else.
  if (word.length < 2) return null;
  const spelled = english.spelledNumbers.indexOf(written.toLowerCase());
  if (spelled >= 0) return { label, form: form('one'), numbers: [spelled + 1], end };
  const roman = romanNumber(written.toUpperCase());
  return roman === null ? null : { label, form: form('I'), numbers: [roman], end };
}

export const sameNumber = (a: NumberLabel, b: NumberLabel): boolean =>
  a.label === b.label && a.numbers.join('.') === b.numbers.join('.');

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
