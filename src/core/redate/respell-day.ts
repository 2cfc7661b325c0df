import { english } from '@/core/text/english';
import { isoWeekday, type LocalDate } from '@/core/dates/local-date';

const monthNames =
  'January February March April May June July August September October November December'.split(' ');
const weekdayNames = 'Monday Tuesday Wednesday Thursday Friday Saturday Sunday'.split(' ');

/**
 * Words that name a day, naming another one in the same form: “Tue., Oct. 14th” becomes “Thu., Feb. 25th”. Words that
 * name several days (“14–16 October”) stay as they are.
 */
export function respellDay(words: string, from: LocalDate, to: LocalDate): string {
  if (isRange.test(words) && !isoForm.test(words)) return words;
  const [year = 0, month = 1, day = 1] = to.split('-').map(Number);
  const withWeekday = words.replace(/\p{L}+/gu, (word) => {
    if (!Object.hasOwn(english.weekdays, word.toLowerCase())) return word;
    return likeWord(word, weekdayNames[isoWeekday(to) - 1] ?? word, 'weekday');
  });
  const isSpelled = /\p{L}{3,}/u.test(
    withWeekday.replace(/\p{L}+/gu, (word) =>
      Object.hasOwn(english.weekdays, word.toLowerCase()) ? '' : word,
    ),
  );
  return isSpelled ? respellSpelled(withWeekday, year, month, day) : respellFigures(withWeekday, from, to);
}

/** A name as long and in the same capitals as the one that it replaces. */
function likeWord(word: string, name: string, kind: 'weekday' | 'month'): string {
  const isWhole = kind === 'weekday' ? word.length >= 6 : isWholeMonth(word);
  const length = Math.min(Math.max(word.length, 3), kind === 'weekday' ? 3 : 4);
  const short = kind === 'month' && name !== 'September' ? name.slice(0, 3) : name.slice(0, length);
  const written = isWhole ? name : short;
  return word.length > 1 && word === word.toUpperCase() ? written.toUpperCase() : written;
}

/** “May” is whole and short at once; it is taken as whole. */
const isWholeMonth = (word: string): boolean =>
  monthNames.some((name) => name.toLowerCase() === word.toLowerCase());

function respellSpelled(words: string, year: number, month: number, day: number): string {
  const withMonth = words.replace(/\p{L}+/gu, (word) => {
    if (!Object.hasOwn(english.months, word.toLowerCase())) return word;
    return likeWord(word, monthNames[month - 1] ?? word, 'month');
  });
  const withDay = withMonth.replace(
    /(?<!\d)(\d{1,2})(st|nd|rd|th)?(?![\d])/i,
    (_, digits: string, ending?: string) =>
      ending === undefined ? likeDigits(digits, day) : `${day}${ordinalEnding(day)}`,
  );
  return withDay.replace(/(?<!\d)(?:19|20)\d{2}(?!\d)/, String(year));
}

/** A number with a leading zero where the other has one. */
const likeDigits = (digits: string, n: number): string =>
  digits.startsWith('0') ? String(n).padStart(2, '0') : String(n);

/** 1st, 2nd, 3rd, 4th; 11th to 13th. */
function ordinalEnding(day: number): string {
  if (day >= 11 && day <= 13) return 'th';
  return ['th', 'st', 'nd', 'rd'][day % 10] ?? 'th';
}

function respellFigures(words: string, from: LocalDate, to: LocalDate): string {
  if (isoForm.test(words)) return words.replace(isoForm, to);
  const [year = '', month = '', day = ''] = to.split('-');
  return words.replace(
    /(\d{1,2})([/.])(\d{1,2})\2(\d{4}|\d{2})/,
    (_, first: string, mark: string, second: string, written: string) => {
      const isMonthFirst =
        Number(first) === monthOf(from) && Number(second) === dayOf(from) && first !== second;
      const isPadded = first.startsWith('0') || second.startsWith('0');
      const parts = isMonthFirst ? [month, day] : [day, month];
      const spelled = parts.map((part) => (isPadded ? part : String(Number(part))));
      return [...spelled, written.length === 2 ? year.slice(2) : year].join(mark);
    },
  );
}

const isoForm = /\d{4}-\d{2}-\d{2}/;
const isRange = /\d{1,2}\s*[-–]\s*\d{1,2}(?!\d)/;
const monthOf = (day: LocalDate): number => Number(day.slice(5, 7));
const dayOf = (day: LocalDate): number => Number(day.slice(8, 10));
