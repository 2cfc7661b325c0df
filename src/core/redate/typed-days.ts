import { datesIn, passagesOf, standsQuoted, type Passage } from '@/core/checks/facts/passages';
import type { Item, Shell } from '@/core/shell/model';
import type { ItemRef } from '@/core/refs/refs';
import { english } from '@/core/text/english';
import type { NamedDate } from '@/core/text/named-dates';
import { cellGap } from '@/core/text/scan-html';
import { sentenceAround } from '@/core/text/sentence';
import { parseLocalDate, type LocalDate } from '@/core/dates/local-date';
import { respellDay } from './respell-day';

/** A day typed in a text, and how it would read. */
export interface TypedDay {
  readonly ref: ItemRef;
  readonly title: string;
  /** The sentence that it stands in, as it is now. */
  readonly sentence: string;
  readonly old: string;
  readonly new: string;
}
/** A stretch of a text and what shall stand there instead. */
export interface TypedEdit {
  readonly ref: ItemRef;
  readonly from: string;
  readonly to: string;
}

/**
 * Days typed into the texts of things that are shifted: of the things themselves, and of what stands in a shifted
 * module. A day in a quotation or in a sentence of history, one that can be read two ways, and one that `move` has no
 * new day for stay.
 */
export function typedDays(
  shell: Shell,
  shifted: ReadonlySet<string>,
  move: (day: LocalDate) => LocalDate | null,
): { readonly typed: readonly TypedDay[]; readonly edits: readonly TypedEdit[] } {
  const owners = itemsBelongingTo(shell, shifted);
  const passages = passagesOf(shell).filter(
    ({ item, where }) => item !== null && where === 'text' && owners.has(item.ref),
  );
  const typed: TypedDay[] = [];
  const bySentence = new Map<string, SentenceEdits>();
  for (const { passage, says } of datesIn(passages)) {
    const { item } = passage;
    const day = item === null ? null : onlyDay(says, move);
    if (item === null || day === null || isApart(passage, says)) continue;
    const sentence = sentenceAround(passage.text, says.start, says.end);
    const words = passage.text.slice(says.start, says.end);
    const others = respellDay(words, day.from, day.to);
    if (others === words) continue;
    typed.push({
      ref: item.ref,
      title: item.title,
      sentence: readable(sentence.text),
      old: words.trim(),
      new: others.trim(),
    });
    const key = `${item.ref} ${passage.text.length} ${sentence.start}`;
    const edits = bySentence.get(key) ?? { item, sentence, text: passage.text, parts: [] };
    edits.parts.push({ start: says.start, end: says.end, by: others });
    bySentence.set(key, edits);
  }
  return { typed, edits: [...bySentence.values()].flatMap(editsOf) };
}

interface SentenceEdits {
  readonly item: Item;
  readonly sentence: { readonly start: number; readonly end: number; readonly text: string };
  readonly text: string;
  readonly parts: { readonly start: number; readonly end: number; readonly by: string }[];
}

/** Things and, where one is a module, everything in it. */
function itemsBelongingTo(shell: Shell, shifted: ReadonlySet<string>): ReadonlySet<string> {
  const owners = new Set<string>();
  for (const item of shell.items)
    if (shifted.has(item.ref) || (item.parent !== null && owners.has(item.parent))) owners.add(item.ref);
  return owners;
}

const isApart = (passage: Passage, says: NamedDate): boolean =>
  standsQuoted(passage, says.start, says.end) ||
  english.history.test(sentenceAround(passage.text, says.start, says.end).text);

/** The one day that the words can mean and that has a new one; null where there is none or more than one. */
function onlyDay(
  says: NamedDate,
  move: (day: LocalDate) => LocalDate | null,
): { readonly from: LocalDate; readonly to: LocalDate } | null {
  const days = says.readings.flatMap(({ year, month, day }) =>
    (year === null ? nearYears(move) : [year]).flatMap((y) => {
      const from = parseLocalDate(`${y}-${twoDigits(month)}-${twoDigits(day)}`);
      const to = from === null ? null : move(from);
      return from !== null && to !== null ? [{ from, to }] : [];
    }),
  );
  return days.length === 1 ? (days[0] ?? null) : null;
}

const twoDigits = (n: number): string => String(n).padStart(2, '0');

/** The years that have days with a new one. */
function nearYears(move: (day: LocalDate) => LocalDate | null): readonly number[] {
  const known = yearsByMove.get(move);
  if (known) return known;
  const years: number[] = [];
  for (let year = 1990; year < 2100; year += 1)
    if (monthsAndDays.some((day) => move(`${year}-${day}` as LocalDate) !== null)) years.push(year);
  yearsByMove.set(move, years);
  return years;
}
const yearsByMove = new WeakMap<(day: LocalDate) => LocalDate | null, readonly number[]>();
/** A day of each week of a year: a term holds one of them. */
const monthsAndDays = Array.from({ length: 12 }, (_, month) =>
  ['01', '08', '15', '22', '28'].map((day) => `${twoDigits(month + 1)}-${day}`),
).flat();

const readable = (text: string): string => text.replaceAll(cellGap, ' ').replace(/\s+/g, ' ').trim();

/** One edit for a sentence; its words alone where it runs over the cells of a table, whose text is no one stretch. */
function editsOf({ item, sentence, text, parts }: SentenceEdits): TypedEdit[] {
  if (sentence.text.includes(cellGap))
    return parts.map(({ start, end, by }) => ({
      ref: item.ref,
      from: text.slice(start, end).trim(),
      to: by.trim(),
    }));
  let to = '';
  let at = sentence.start;
  for (const part of parts) {
    to += text.slice(at, part.start) + part.by;
    at = part.end;
  }
  to += text.slice(at, sentence.end);
  return [{ ref: item.ref, from: sentence.text.trim(), to: to.trim() }];
}
