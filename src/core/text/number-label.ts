import { entryOf } from '@/core/entries';
import { collect } from '../collect';
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

/** What a shell's own way of naming adds to the labels: see `ownLabels`. */
export interface OwnLabels {
  /** The label that a single letter before a number stands for: `u` for unit. */
  readonly initials: ReadonlyMap<string, string>;
  /** Labels that are counted by letters: Unit A, Unit B. */
  readonly lettered: ReadonlySet<string>;
}
const noOwnLabels: OwnLabels = { initials: new Map(), lettered: new Set() };

const letterBehind = new RegExp(`^\\W*(${words})\\.?\\s+(\\p{L})(?![\\p{L}\\p{N}])`, 'iu');
const initialBefore = /^\W*(\p{L})\s?(\d{1,3})(?![\p{L}\p{N}])/u;
/** So often a shell must use a label before its first letter, or letters behind it, are read as such. */
const leastUses = 3;

/**
 * The labels that a shell itself uses: of those that stand in at least three titles, the first letter is read too (U2
 * for Unit 2), unless two of them share it; those with letters behind them in three titles are counted by letters.
 */
export function ownLabels(titles: Iterable<string>): OwnLabels {
  const uses = new Map<string, number>();
  const letters = new Map<string, string[]>();
  for (const title of titles) {
    const text = title.normalize('NFKC');
    const letter = labelledByLetter(text);
    const label = letter?.label ?? numberLabel(text)?.label;
    if (label === undefined || label === '#') continue;
    uses.set(label, (uses.get(label) ?? 0) + 1);
    if (letter) collect(letters, label, letter.letter);
  }
  const used = [...uses].filter(([, count]) => count >= leastUses).map(([label]) => label);
  const initials = new Map<string, string>();
  for (const label of used) {
    const initial = label.charAt(0);
    if (used.filter((other) => other.startsWith(initial)).length === 1) initials.set(initial, label);
  }
  // I, V, X and L alone are Roman numbers.
  const isLettered = (found: readonly string[]) =>
    found.length >= leastUses && found.some((l) => !/[IVXL]/.test(l));
  const lettered = [...letters].filter(([, found]) => isLettered(found)).map(([label]) => label);
  return { initials, lettered: new Set(lettered) };
}

function labelledByLetter(text: string): { label: string; letter: string; form: string; end: number } | null {
  const found = letterBehind.exec(text);
  const [whole = '', word = '', letter = ''] = found ?? [];
  const label = entryOf(english.seriesLabels, word.toLowerCase());
  if (label === undefined || !/[A-Z]/.test(letter)) return null;
  return { label, letter, form: `${word} A`, end: whole.length };
}

/** A label that only the shell's own way of naming makes one: U2, Unit B. */
function ownLabel(text: string, shellLabels: OwnLabels): NumberLabel | null {
  const lettered = labelledByLetter(text);
  if (lettered && shellLabels.lettered.has(lettered.label)) {
    const { label, form, letter, end } = lettered;
    return { label, form, numbers: [letter.charCodeAt(0) - 64], end };
  }
  const [whole = '', initial = '', number = ''] = initialBefore.exec(text) ?? [];
  const label = shellLabels.initials.get(initial.toLowerCase());
  if (label === undefined) return null;
  const space = /\s/.test(whole.trim()) ? ' ' : '';
  return {
    label,
    form: `${initial}${space}${/^0\d/.test(number) ? '01' : '1'}`,
    numbers: [Number(number)],
    end: whole.length,
  };
}

/** The label and number that a title begins with; null where it has none. Roman numbers up to 89 are read. */
export function numberLabel(title: string, shellLabels: OwnLabels = noOwnLabels): NumberLabel | null {
  const text = title.normalize('NFKC');
  const ofTheShell = ownLabel(text, shellLabels);
  if (ofTheShell) return ofTheShell;
  const found = labelled.exec(text);
  if (!found) {
    const plain = bare.exec(text);
    if (!plain) return null;
    const [all, written = ''] = plain;
    const numbers = written.replace(/[.)]$/, '').split('.').map(Number);
    return { label: '#', form: '#', numbers, end: all.length };
  }
  const [all, word = '', between = '', written = ''] = found;
  const label = entryOf(english.seriesLabels, word.toLowerCase());
  if (label === undefined) return null;
  const end = all.length;
  const form = (number: string) => `${word}${between.includes(' ') ? ' ' : ''}${number}`;
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

/** −1, 0 or 1: numbers compared place by place, 2 before 10, 2.1 after 2. */
export function compareNumbers(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < Math.max(a.length, b.length); i += 1) {
    const [x, y] = [a[i] ?? -1, b[i] ?? -1];
    if (x !== y) return x < y ? -1 : 1;
  }
  return 0;
}

const romanValues: Readonly<Record<string, number>> = { I: 1, V: 5, X: 10, L: 50 };

function romanNumber(text: string): number | null {
  if (!/^(XL|L?X{0,3})(IX|IV|V?I{0,3})$/.test(text) || text === '') return null;
  let sum = 0;
  for (const [i, letter] of [...text].entries()) {
    const value = entryOf(romanValues, letter) ?? 0;
    sum += value < (entryOf(romanValues, text.charAt(i + 1)) ?? 0) ? -value : value;
  }
  return sum;
}
