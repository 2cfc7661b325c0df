import type { ColumnMeanings } from '@/formats/status-sheet/read-status-sheet';
import type { HouseTerm } from '@/core/time/house-terms';
import type { LocalDate } from '@/core/dates/local-date';

/** A file that a person or script gave, with the name to call it by. */
export interface InputFile {
  readonly path: string;
  readonly name: string;
}

/** The files that a shell is read from, by their paths. */
export const pathsOf = (inputs: ShellInputs): readonly string[] =>
  [
    inputs.package,
    inputs.events,
    inputs.previousEvents,
    inputs.status,
    inputs.houseRules,
    inputs.roster,
    inputs.baseline,
  ].flatMap((file) => (file === undefined ? [] : [file.path]));

/** Everything that a shell is read from: the package, its side files and what was said about it. */
export interface ShellInputs {
  readonly package: InputFile;
  readonly events?: InputFile;
  readonly previousEvents?: InputFile;
  readonly status?: InputFile;
  /** What the sheet's columns mean where they have names of their own. */
  readonly statusColumns?: ColumnMeanings;
  readonly houseRules?: InputFile;
  readonly roster?: InputFile;
  readonly baseline?: InputFile;
  /** Whether the baseline is provided outside this shell (the default) or is what it began as a copy of. */
  readonly baselineIs?: 'supplied' | 'template';
  readonly code?: string;
  readonly title?: string;
  readonly termTitle?: string;
  readonly termStart?: LocalDate;
  readonly termEnd?: LocalDate;
  readonly previousTermStart?: LocalDate;
  readonly previousTermEnd?: LocalDate;
  readonly noClass?: readonly LocalDate[];
  /** The terms of the house rules: they say what nobody said of this shell's. */
  readonly houseTerms?: readonly HouseTerm[];
  readonly timeZone?: string;
  readonly asOf?: LocalDate;
  /** Today, from the clock of whoever calls; used where no as-of date was given. */
  readonly today: LocalDate;
}
