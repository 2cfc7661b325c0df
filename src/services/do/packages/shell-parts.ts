import { readFileSync } from 'node:fs';
import { append } from '@/core/collect';
import { baselineOf } from '@/core/compare/baseline';
import { looseEnds } from '@/core/shell/loose-ends';
import type { Shell, Term } from '@/core/shell/model';
import { unsoundnessOf } from '@/core/shell/soundness';
import { bad, type IntakeNote, type Result } from '@/core/shell/result';
import { withHouseTerm } from '@/core/time/house-terms';
import type { LocalDate } from '@/core/dates/local-date';
import { believableTerm } from '@/core/shell/term-length';
import { isTimeZone } from '@/core/dates/zones';
import { decodeText, encodingNotes } from '@/formats/archive/decode-text';
import { stateFilePath } from '@/formats/cartridge/read-entries';
import { applyTodos } from '@/formats/icalendar/due-dates';
import { readCalendar, type CalendarTodo } from '@/formats/icalendar/read-calendar';
import { applyRoster } from '@/formats/oneroster/apply-roster';
import { readRoster } from '@/formats/oneroster/read-roster';
import { readRosterTables } from '@/formats/oneroster/read-tables';
import { applyState, readState } from '@/formats/state-file/shell-state';
import type { ShellState } from '@/formats/state-file/state-schema';
import { applyStatusSheet } from '@/formats/status-sheet/apply-status-sheet';
import { readStatusSheet } from '@/formats/status-sheet/read-status-sheet';
import type { InputFile, ShellInputs } from './shell-inputs';

export interface ShellReading {
  readonly shell: Shell;
  readonly intake: readonly IntakeNote[];
}

/** What keeps a shell from being read; null where nothing does. */
type Trouble = Result<never> | null;

/** A shell that is put together from its package and one side file after the other, in this order. */
export class ShellParts {
  private readonly intake: IntakeNote[];
  private state: ShellState | null = null;
  private todos: readonly CalendarTodo[] = [];
  /** The time zone that only the calendar named. */
  private calendarZone: string | null = null;

  constructor(
    private readonly inputs: ShellInputs,
    private shell: Shell,
    notes: readonly IntakeNote[],
  ) {
    this.intake = [...notes];
  }

  /** What our own state file in the package says; one that can’t be read is told and left aside. */
  addState(text: Parameters<typeof readState>[0] | null): void {
    if (!text) return;
    const read = readState(text);
    if (!read.ok) {
      const message = `${read.trouble.message}; it is not used`;
      this.intake.push({ code: read.trouble.code, message, where: stateFilePath });
      return;
    }
    this.state = read.value;
    append(this.intake, stateNotes(read.value, this.shell));
    const before = this.shell;
    this.shell = applyState(before, read.value);
    this.believeTerms(stateFilePath);
    // Where no time zone is known yet the state file's is told, and another one used.
    const fault = unsoundnessOf({ ...this.shell, timeZone: before.timeZone });
    if (fault === null) return;
    const message = `contradicts itself: ${fault}; it is not used`;
    this.intake.push({ code: 'state-contradicts', message, where: stateFilePath });
    this.state = null;
    this.shell = before;
  }

  /** Terms that can't be true lose their days, and that is told. */
  private believeTerms(where: string): void {
    const [term, previousTerm, schoolYear] = [
      believableTerm(this.shell.term),
      believableTerm(this.shell.previousTerm),
      believableTerm(this.shell.schoolYear),
    ];
    for (const { fault } of [term, previousTerm, schoolYear])
      if (fault !== null)
        this.intake.push({
          code: 'term-unbelievable',
          message: `names a term that ${fault}; its days are not used`,
          where,
        });
    this.shell = {
      ...this.shell,
      term: term.term,
      previousTerm: previousTerm.term,
      schoolYear: schoolYear.term,
    };
  }

  async addRoster(): Promise<Trouble> {
    const { roster: file, code, asOf, today } = this.inputs;
    if (!file) return null;
    const tables = await readRosterTables(file.path, file.name);
    if (!tables.ok) return tables;
    const about = { code: code ?? null, asOf: asOf ?? today };
    const roster = readRoster(tables.value.tables, about, file.name);
    append(this.intake, tables.value.notes);
    append(this.intake, roster.notes);
    this.shell = applyRoster(this.shell, roster, this.state?.results ?? {});
    this.believeTerms(file.name);
    if (!this.shell.title && roster.title) this.shell = { ...this.shell, title: roster.title };
    return null;
  }

  /** What was said of the shell by whoever brings it in, and of its term by the house. */
  addWhatWasSaid(): Trouble {
    const inHouse = withHouseTerm(
      { ...this.shell, ...said(this.inputs, this.shell) },
      this.inputs.houseTerms ?? [],
    );
    this.shell = inHouse.shell;
    append(this.intake, inHouse.notes);
    return null;
  }

  addEvents(): Trouble {
    const { events: file, timeZone } = this.inputs;
    if (file) {
      const zones = { wanted: timeZone ?? null, otherwise: this.stateZone ?? 'UTC' };
      const calendar = this.readText(file, (text, name) =>
        readCalendar(text, name, zones, this.shell.term.end),
      );
      if (!calendar.ok) return calendar;
      const { events, frame, notes, todos } = calendar.value;
      append(this.intake, notes);
      this.todos = todos;
      if (timeZone === undefined && calendar.value.timeZone) this.calendarZone = calendar.value.timeZone;
      this.shell = { ...this.shell, events, calendar: frame };
    }
    this.shell = { ...this.shell, timeZone: this.timeZone };
    return null;
  }

  addPreviousEvents(): Trouble {
    const { previousEvents: file } = this.inputs;
    if (!file) return null;
    const zones = { wanted: this.timeZone, otherwise: this.timeZone };
    const previous = this.readText(file, (text, name) =>
      readCalendar(text, name, zones, this.shell.term.end),
    );
    if (!previous.ok) return previous;
    append(this.intake, previous.value.notes);
    this.shell = { ...this.shell, previousEvents: previous.value.events };
    return null;
  }

  addStatus(): Trouble {
    const { status: file, statusColumns } = this.inputs;
    if (!file) return null;
    const sheet = this.readText(file, (text, name) => readStatusSheet(text, name, statusColumns));
    if (!sheet.ok) return sheet;
    const applied = applyStatusSheet(this.shell, sheet.value, file.name);
    this.shell = applied.shell;
    append(this.intake, sheet.value.notes);
    append(this.intake, applied.notes);
    return null;
  }

  async addBaseline(
    read: (file: InputFile, today: LocalDate) => Promise<Result<ShellReading>>,
  ): Promise<Trouble> {
    const { baseline: file, baselineIs, today } = this.inputs;
    if (!file) return null;
    const baseline = await read(file, today);
    if (!baseline.ok) {
      const { code, message } = baseline.trouble;
      return bad(code, `The baseline “${file.name}” can’t be used: ${message}`);
    }
    append(this.intake, ofBaseline(baseline.value.intake, file.name));
    this.shell = { ...this.shell, baseline: baselineOf(baseline.value.shell, baselineIs ?? 'supplied') };
    return null;
  }

  /** The shell with the dates of its calendar’s to-dos, and all that its reading met. */
  whole(): ShellReading {
    const { asOf, today } = this.inputs;
    const { shell, notes } = applyTodos(this.shell, this.todos);
    append(this.intake, notes);
    append(this.intake, looseEnds(shell));
    const zoneFrom = this.zoneFrom();
    const zone = `the time zone is ${this.timeZone}, from ${zoneFrom}`;
    if (zoneFrom !== null) this.intake.push({ code: 'time-zone', message: zone, where: '' });
    const day = `the as-of date is today, ${today}`;
    if (!asOf) this.intake.push({ code: 'as-of-today', message: day, where: '' });
    return { shell, intake: this.intake };
  }

  private get stateZone(): string | null {
    const { state } = this;
    return state && isTimeZone(state.timeZone) ? state.timeZone : null;
  }

  private get timeZone(): string {
    return this.inputs.timeZone ?? this.calendarZone ?? this.stateZone ?? 'UTC';
  }

  /** Who named the time zone, where nobody said it; null where somebody did. */
  private zoneFrom(): string | null {
    if (this.inputs.timeZone) return null;
    if (this.calendarZone !== null) return 'the calendar';
    return this.stateZone ? 'the package’s own state file' : 'nobody: UTC is used';
  }

  private readText<T>(file: InputFile, read: (text: string, name: string) => Result<T>): Result<T> {
    return readText(file, this.intake, read);
  }
}

function said(inputs: ShellInputs, shell: Shell): Partial<Shell> {
  const term: Term = {
    title: inputs.termTitle ?? shell.term.title,
    start: inputs.termStart ?? shell.term.start,
    end: inputs.termEnd ?? shell.term.end,
  };
  const previousTerm: Term | null =
    inputs.previousTermStart || inputs.previousTermEnd
      ? { title: '', start: inputs.previousTermStart ?? null, end: inputs.previousTermEnd ?? null }
      : shell.previousTerm;
  return {
    code: inputs.code ?? shell.code,
    title: inputs.title ?? (shell.title || inputs.package.name.replace(/\.(imscc|zip)$/i, '')),
    term,
    previousTerm,
    noClassDays: inputs.noClass ?? shell.noClassDays,
    asOf: inputs.asOf ?? inputs.today,
  };
}

/** What a state file names and the package does not have, and a time zone that nobody knows. */
function stateNotes(state: ShellState, shell: Shell): IntakeNote[] {
  const refs = new Set<string>(shell.items.map((i) => i.ref));
  for (const { ref } of Object.values(state.items)) if (ref) refs.add(ref);
  const notes = state.homePages
    .filter((home) => !refs.has(home.ref))
    .map((home) => ({
      code: 'missing-home-page',
      message: `names the home page “${home.title}”, which is not there; it is left out`,
      where: stateFilePath,
    }));
  if (!isTimeZone(state.timeZone))
    notes.push({
      code: 'unknown-time-zone',
      message: `names the time zone “${state.timeZone}”, which nobody knows; UTC is used`,
      where: stateFilePath,
    });
  return notes;
}

/** What the reading of a baseline met, its place told with the baseline's name. */
const ofBaseline = (notes: readonly IntakeNote[], name: string): IntakeNote[] =>
  notes
    .filter((note) => note.code !== 'time-zone' && note.code !== 'as-of-today')
    .map((note) => ({ ...note, where: `${name}, ${note.where}` }));

const mostTextBytes = 64 * 1024 ** 2;

/** Reads a side file as text; an odd encoding goes into the intake report. */
function readText<T>(
  file: InputFile,
  intake: IntakeNote[],
  read: (text: string, name: string) => Result<T>,
): Result<T> {
  let bytes: Buffer;
  try {
    bytes = readFileSync(file.path);
  } catch {
    return bad('no-such-file', `There is no file “${file.name}” that can be read; check the path.`);
  }
  if (bytes.length > mostTextBytes)
    return bad(
      'too-large',
      `“${file.name}” is larger than ${mostTextBytes} bytes; that is no calendar or sheet of one course.`,
    );
  const decoded = decodeText(bytes);
  append(intake, encodingNotes(decoded, file.name));
  return read(decoded.text, file.name);
}
