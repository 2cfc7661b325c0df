/** What Currycomb knows of a language in which shells are written: word lists and patterns, no rules of its own. Another language is another file like english.ts. */
export interface Language {
  /** Month names and their short forms, lower case, to 1 … 12. */
  readonly months: Readonly<Record<string, number>>;
  /** Weekday names and their short forms, lower case, to 1 Monday … 7 Sunday. */
  readonly weekdays: Readonly<Record<string, number>>;
  /** Season names, lower case, to their place in a calendar year. */
  readonly seasons: Readonly<Record<string, Season>>;
  /** Short marks of a season in names, as F in F24; upper case. */
  readonly seasonMarks: Readonly<Record<string, Season>>;
  /** Words for a numbered part of the year: semester, term … */
  readonly termWords: readonly string[];
  /** How an academic year is announced: AY, academic year … */
  readonly academicYear: RegExp;
  /** A number right after one of these is no day of a month: Week 3 March … */
  readonly numberedThings: RegExp;
  /** Words that ask students for something at a time; looked for anywhere in the sentence. */
  readonly obligation: RegExp;
  /** Words that do so only right before the date: by, until. */
  readonly deadlineBefore: RegExp;
  /** Verbs that tell of something past. */
  readonly pastTense: RegExp;
  /** Words of history, data and publication: what stands with them is no date of this course. */
  readonly history: RegExp;
  /** Such words that count only right before or right after a term's name. */
  readonly historyBefore: RegExp;
  readonly historyAfter: RegExp;
  /** Marks of a cited work. */
  readonly citation: RegExp;
  /** Headings of a list of cited works. */
  readonly referenceHeading: RegExp;
  /** The beginning of an entry in such a list. */
  readonly referenceLine: RegExp;
  readonly copyright: RegExp;
  /** Days that come every year: holidays, birthdays. */
  readonly yearly: RegExp;
  /** Text meant for the teacher. */
  readonly placeholder: RegExp;
  /** What a text holds wherever `placeholder` finds anything: one of these words or characters, or a word of both lists of a pair. */
  readonly placeholderCues: {
    readonly words: readonly string[];
    readonly chars: string;
    readonly pairs: readonly (readonly [readonly string[], readonly string[]])[];
  };
  /** A title that says nothing yet. */
  readonly untitled: RegExp;
  /** Exercises in which blanks are meant to be filled in. */
  readonly fillIn: RegExp;
  /** “Copy of X” and “X - copy”: the first group that matched is X. */
  readonly copyTitle: readonly RegExp[];
  /** Names of answers that are not for students; the first as words, the second as labels only. */
  readonly answerName: RegExp;
  readonly answerLabel: RegExp;
  /** Versions: draft, final, old. */
  readonly versionWords: RegExp;
  /** Words before a numbered sibling and the spelling they stand for: wk → week. */
  readonly seriesLabels: Readonly<Record<string, string>>;
  readonly syllabus: RegExp;
  /** Short forms behind which a full stop ends no sentence. */
  readonly shortForm: RegExp;
  /** One, two, three … in order. */
  readonly spelledNumbers: readonly string[];
  /** First, second … and their short forms. */
  readonly ordinals: Readonly<Record<string, number>>;
  /** What follows a number that is a measure and no year: 20 cm. */
  readonly unitAfter: RegExp;
  /** Events that say themselves that there is no class. */
  readonly saysNoClass: RegExp;
  /** Names of totals that a gradebook computes by itself. */
  readonly computedTotal: RegExp;
  /** Words before another course’s code that only point to it: a requirement, “see also”. */
  readonly namesAside: RegExp;
  /** How a calendar names a deadline; the first group is the activity. */
  readonly deadlineName: readonly RegExp[];
  /** What sorts of graded work are called in the names of grade categories. */
  readonly kindWords: Readonly<Partial<Record<string, readonly string[]>>>;
  /** Words of measuring: a range of years with them is no academic year. */
  readonly dataWords: RegExp;
}

/** The four seasons in the order in which a calendar year names its terms. */
export type Season = 'winter' | 'spring' | 'summer' | 'autumn';
export const seasonOrder: Readonly<Record<Season, number>> = { winter: 0, spring: 1, summer: 2, autumn: 3 };
