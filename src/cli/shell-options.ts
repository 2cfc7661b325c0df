import { basename } from 'node:path';
import { InvalidArgumentError, type Command } from 'commander';
import { readDayList } from '@/core/time/day-list';
import { parseLocalDate, type LocalDate } from '@/core/dates/local-date';
import { isTimeZone } from '@/core/dates/zones';
import { termContradiction } from '@/services/do/packages/contradictions';
import type { InputFile, ShellInputs } from '@/services/do/packages/shell-inputs';

export interface ShellFlags {
  events?: string;
  previousEvents?: string;
  previousTermStart?: LocalDate;
  previousTermEnd?: LocalDate;
  code?: string;
  roster?: string;
  status?: string;
  houseRules?: string;
  baseline?: string;
  baselineIs?: 'supplied' | 'template';
  termStart?: LocalDate;
  termEnd?: LocalDate;
  /** `--no-class`: the parser of flags takes a leading “no” for a switch and files the value under what follows. */
  class?: LocalDate[] | boolean;
  timeZone?: string;
  asOf?: LocalDate;
}

export function day(text: string): LocalDate {
  const date = parseLocalDate(text);
  if (!date) throw new InvalidArgumentError(`“${text}” is no day; write it as 2027-01-11.`);
  return date;
}

/** `D[..D],…`: single days and ranges, ends included. */
export function dayList(text: string): LocalDate[] {
  const days = readDayList(text);
  if (!days.ok) throw new InvalidArgumentError(days.trouble.message);
  return days.value;
}

function zone(text: string): string {
  if (!isTimeZone(text))
    throw new InvalidArgumentError(`“${text}” is no time zone; give an IANA name such as Europe/Dublin.`);
  return text;
}

function baselineIs(text: string): string {
  if (text !== 'supplied' && text !== 'template')
    throw new InvalidArgumentError('It is either supplied or template.');
  return text;
}

/** The side inputs that audit and clean share. */
export const withShellFlags = (command: Command): Command =>
  command
    .option('--events <F.ics>', 'the shell’s calendar')
    .option('--previous-events <F.ics>', 'the previous term’s calendar')
    .option('--previous-term-start <D>', 'first day of the previous term', day)
    .option('--previous-term-end <D>', 'last day of the previous term', day)
    .option('--code <TEXT>', 'the shell’s code')
    .option('--roster <DIR|ZIP>', 'OneRoster CSV, a folder or a zip')
    .option('--status <F.csv>', 'status sheet')
    .option('--house-rules <F.json>', 'house rules')
    .option('--baseline <PACKAGE>', 'the institution’s baseline shell')
    .option('--baseline-is <supplied|template>', 'what the baseline is to this shell', baselineIs)
    .option('--term-start <D>', 'first day of the term', day)
    .option('--term-end <D>', 'last day of the term', day)
    .option('--no-class <D[..D],…>', 'days without class', dayList)
    .option('--time-zone <Z>', 'time zone (IANA)', zone)
    .option('--as-of <D>', 'the day to look from; today where it is not given', day);

/** Flags that can't be meant together, in one sentence; null where all of them can. */
export function contradictionOf(flags: ShellFlags): string | null {
  if (flags.baselineIs !== undefined && flags.baseline === undefined)
    return '--baseline-is says what a baseline is, and none is given; name it with --baseline.';
  return termContradiction(flags);
}

const named = (path: string): InputFile => ({ path, name: basename(path) });
const file = (path: string | undefined): InputFile | undefined =>
  path === undefined ? undefined : named(path);

export function inputsFrom(packagePath: string, flags: ShellFlags, today: LocalDate): ShellInputs {
  return {
    package: named(packagePath),
    events: file(flags.events),
    previousEvents: file(flags.previousEvents),
    status: file(flags.status),
    houseRules: file(flags.houseRules),
    roster: file(flags.roster),
    baseline: file(flags.baseline),
    baselineIs: flags.baselineIs,
    code: flags.code,
    termStart: flags.termStart,
    termEnd: flags.termEnd,
    previousTermStart: flags.previousTermStart,
    previousTermEnd: flags.previousTermEnd,
    noClass: Array.isArray(flags.class) ? flags.class : undefined,
    timeZone: flags.timeZone,
    asOf: flags.asOf,
    today,
  };
}
