import {
  addDays,
  dayFromNumber,
  dayNumber,
  spellDate,
  spellWeekday,
  type LocalDate,
} from '@/core/dates/local-date';
import type { dice } from './prose';

type Dice = ReturnType<typeof dice>;
/** A sentence that a check must name, or one that looks like it and must not be named. The term is Spring 2027. */
export interface Sentences {
  readonly check: string;
  readonly fault: (d: Dice) => string;
  readonly decoy: (d: Dice) => string;
}

const seasons = ['Spring', 'Summer', 'Fall', 'Autumn'] as const;
const short = (date: LocalDate) => spellDate(date).replace(/ \d{4}$/, '');
const american = (date: LocalDate) => spellDate(date).replace(/^(\d+) (\w+) (\d+)$/, '$2 $1, $3');
const dayIn = (d: Dice, from: string, to: string): LocalDate =>
  dayFromNumber(
    dayNumber(from as LocalDate) + d.below(dayNumber(to as LocalDate) - dayNumber(from as LocalDate)),
  );
const autumn = (d: Dice) => dayIn(d, '2025-08-25', '2025-12-12');
const spring = (d: Dice) => dayIn(d, '2027-01-11', '2027-05-07');
const spelled = (d: Dice, date: LocalDate) => d.pick([spellDate(date), american(date), date]);
const wrongWeekday = (d: Dice, date: LocalDate) => spellWeekday(addDays(date, 1 + d.below(6)));

/** A day in figures, the month first: 5/12/2027. */
const figures = (date: string): string =>
  `${Number(date.slice(5, 7))}/${Number(date.slice(8, 10))}/${date.slice(0, 4)}`;
/** Day and month with a hyphen: 12-May. */
const dayAndMonth = (date: string): string => {
  const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
  return `${Number(date.slice(8, 10))}-${months[Number(date.slice(5, 7)) - 1]}`;
};

export const sentences: readonly Sentences[] = [
  {
    check: 'outdated.past-term-mention',
    fault: (d) =>
      d.pick([
        () => `Welcome to ${d.pick(seasons)} ${2018 + d.below(8)}.`,
        () => `The timetable of ${d.pick(seasons)} '${19 + d.below(6)} stands on the door.`,
        () => {
          const y = 2019 + d.below(6);
          return `This page belongs to the academic year ${y}/${(y + 1) % 100}.`;
        },
        () => `Groups of Semester ${1 + d.below(2)}, ${2020 + d.below(6)} meet in the hall.`,
        () =>
          `In the ${d.pick(['fall', 'spring', 'summer'])} semester ${2020 + d.below(6)} we use the old room.`,
        () => {
          const y = 2018 + d.below(7);
          return `Handbook ${y}-${(y + 1) % 100} applies.`;
        },
      ])(),
    decoy: (d) =>
      d.pick([
        () => `Welcome to Spring ${2027 + d.below(3)}.`,
        () => `Records since ${d.pick(seasons)} ${2010 + d.below(12)} are complete.`,
        () => `The flood of ${d.pick(['spring', 'autumn', 'winter'])} ${2000 + d.below(24)} moved the bar.`,
        () =>
          `Rowan, T. (${2005 + d.below(18)}). Banks. River Quarterly, ${d.pick(seasons)} ${2005 + d.below(18)}, 4–9.`,
        () => `© ${d.pick(seasons)} ${2015 + d.below(10)} Tarn Hollow College`,
        () => `The survey covered the years ${2001 + d.below(9)}–${2014 + d.below(9)}.`,
        () => `The academic year 2026-27 has two terms.`,
        () => `In ${d.pick(['spring', 'summer'])} ${10 + d.below(20)} stones were turned.`,
      ])(),
  },
  {
    check: 'outdated.weekday-mismatch',
    fault: (d) => {
      const date = d.pick([autumn, spring])(d);
      const day = wrongWeekday(d, date);
      return d.pick([
        `We meet on ${day}, ${spellDate(date)}.`,
        `${day}, ${american(date)}: bring boots.`,
        `The visit is on ${day.slice(0, 3)} ${spellDate(date)}.`,
        `See you on ${spellDate(date)} (${day}).`,
        // In figures, with the weekday behind; a full stop and a colon are no part of a day.
        `Waders are needed on ${date} (${day}).`,
        `We are out on ${day}, ${figures(date)}.`,
        `The gauge is read on ${spellDate(date)}, ${day}.`,
        `${day}, ${dayAndMonth(date)}-${date.slice(0, 4)}: bring waders.`,
      ]);
    },
    decoy: (d) => {
      const date = d.pick([autumn, spring])(d);
      return d.pick([
        `We meet on ${spellWeekday(date)}, ${spellDate(date)}.`,
        `${spellWeekday(date)}, ${american(date)}: bring boots.`,
        weirOf(dayIn(d, '1950-01-01', '1990-01-01')),
        `Every ${spellWeekday(date)} we walk. ${spellDate(date)} is a holiday.`,
        `Waders are needed on ${date} (${spellWeekday(date)}).`,
        `We are out on ${spellWeekday(date)}, ${figures(date)}.`,
        `The gauge is read on ${spellDate(date)}, ${spellWeekday(date)}.`,
        `The road is shut on ${spellDate(date)}, ${wrongWeekday(d, date)} groups take the ford.`,
      ]);
    },
  },
  {
    check: 'outdated.text-date-outside-term',
    fault: (d) => {
      const date = spelled(d, autumn(d));
      return d.pick([
        `Hand in the report by ${date}.`,
        `The essay is due ${date}.`,
        `Deadline: ${date}`,
        `The quiz closes on ${date} at noon.`,
        `The final exam is on ${date}.`,
        `Submit your data no later than ${date}.`,
        `Register until ${date}.`,
        `<table><tr><td>Report due</td><td>${date}</td></tr></table>`,
        `<dl><dt>Deadline</dt><dd>${date}</dd></dl>`,
      ]);
    },
    decoy: (d) => {
      const date = spelled(d, autumn(d));
      return d.pick([
        `Hand in the report by ${spelled(d, spring(d))}.`,
        `The photographs of ${date} show the bar.`,
        `The weir was opened on ${spellDate(dayIn(d, '1900-01-01', '1990-01-01'))}.`,
        `Version of ${date}`,
        `Retrieved ${spellDate(autumn(d))} from the county archive.`,
        `The quiz opens on ${spelled(d, spring(d))}.`,
        `<table><tr><td>Report due</td><td>Friday</td></tr><tr><td>Flood mark</td><td>${date}</td></tr></table>`,
      ]);
    },
  },
  {
    check: 'outdated.text-day-outside-term',
    fault: (d) => {
      const date = short(dayIn(d, '2025-08-25', '2025-12-12'));
      return d.pick([
        `Hand in the report by ${date}.`,
        `The essay is due ${date}.`,
        `Deadline: ${date}`,
        `The quiz opens on ${date}.`,
        `The exam is on ${date} in Hall 3.`,
        `Turn in your field book before ${date}.`,
      ]);
    },
    decoy: (d) => {
      const date = short(autumn(d));
      return d.pick([
        `Hand in the report by ${short(spring(d))}.`,
        `The report of 2019 was due on ${date}.`,
        `On ${date} the ice was gone.`,
        `The library is closed on the holiday of ${date}; nothing is due.`,
        `We read the notes of ${date}.`,
      ]);
    },
  },
  {
    check: 'outdated.placeholder-text',
    fault: (d) =>
      d.pick([
        'Office hours: TBA',
        '[insert room here]',
        'Instructor: [your name]',
        'Lorem ipsum dolor sit amet, consectetur.',
        'Replace this text with your own welcome.',
        'Click to add text',
        'The room is TBD.',
        'Meet on XX/XX at nine.',
        '[Insert a picture of the site]',
        'Delete this paragraph before you publish.',
        'Your name here',
        '[Enter the date of the visit]',
      ]),
    decoy: (d) =>
      d.pick([
        'Insert the rod until it touches the bed.',
        'Write your name on the sheet.',
        'Fill in the blank: the [insert word] ______ downhill.',
        'Click the map to add a point.',
        'See [Rowan 2019] for the table.',
        'Delete the file from your own computer.',
        'Size XX is too large.',
        'Chapter XX tells of it.',
        'Replace the battery every month.',
        'An untitled drawing hangs in the hall.',
      ]),
  },
  {
    check: 'outdated.leftover-phrase',
    fault: (d) =>
      d.pick([
        'Ask the blue desk if it fails.',
        'Log in to tarn-web first.',
        'Tarn-Web keeps your drafts.',
        'The Blue  Desk is open until six.',
        'Write to the blue desk.',
      ]),
    decoy: (d) =>
      d.pick([
        'Ask the desk if it fails.',
        'The blue desks stand in the hall.',
        'A tarn-webbed foot',
        'Blue as a desk',
        'The web of the tarn',
      ]),
  },
];

const weirOf = (date: LocalDate) => `On ${spellWeekday(date)}, ${spellDate(date)}, the weir was built.`;
