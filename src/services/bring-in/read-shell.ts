import { append } from '@/core/collect';
import { readFileSync } from 'node:fs';
import { baselineOf } from '@/core/compare/baseline';
import type { Shell, Term } from '@/core/shell/model';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { withHouseTerm } from '@/core/time/house-terms';
import { isTimeZone } from '@/core/time/zones';
import { decodeText, encodingNotes } from '@/formats/archive/decode-text';
import { openArchive, type Archive } from '@/formats/archive/read-archive';
import { readCartridge } from '@/formats/cartridge/read-cartridge';
import { stateFilePath, type ReadOptions } from '@/formats/cartridge/read-entries';
import { applyTodos } from '@/formats/icalendar/due-dates';
import { readCalendar, type CalendarTodo } from '@/formats/icalendar/read-calendar';
import { applyRoster } from '@/formats/oneroster/apply-roster';
import { readRoster } from '@/formats/oneroster/read-roster';
import { readRosterTables } from '@/formats/oneroster/read-tables';
import { applyState, readState } from '@/formats/state-file/shell-state';
import type { ShellState } from '@/formats/state-file/state-schema';
import { applyStatusSheet } from '@/formats/status-sheet/apply-status-sheet';
import { isHtmlName } from '@/formats/cartridge/resource-types';
import { readStatusSheet } from '@/formats/status-sheet/read-status-sheet';
import { PageThread } from './page-thread';
import { looseEnds } from '@/core/shell/loose-ends';
import { termContradiction } from './contradictions';
import type { InputFile, ShellInputs } from './shell-inputs';

export interface ShellReading {
  readonly shell: Shell;
  readonly intake: readonly IntakeNote[];
}

export interface ReadShellOptions extends ReadOptions {
  /** The bundle of the thread that reads pages beside this one; without it all is done here. */
  readonly pageWorker?: string | null;
}

/**
 * Reads a shell from its package and side files. Where they disagree, what was said comes first, then the status sheet,
 * our state file, the package. The archive stays open for whoever writes the package again; `close` it.
 */
export async function readShell(
  inputs: ShellInputs,
  options: ReadShellOptions = {},
): Promise<Result<ShellReading & { readonly archive: Archive }>> {
  const problem = checkFlags(inputs);
  if (problem) return problem;
  const archive = await openArchive(inputs.package.path, inputs.package.name);
  if (!archive.ok) return archive;
  const pageBytes = archive.value.entries.reduce((n, e) => (isHtmlName(e.path) ? n + e.bytes : n), 0);
  const pages = PageThread.forPages(options.pageWorker ?? null, pageBytes);
  try {
    const reading = await readParts(
      inputs,
      archive.value,
      pages ? { ...options, onPage: (path, bytes) => pages.offer(path, bytes) } : options,
    );
    if (!reading.ok) {
      archive.value.close();
      return reading;
    }
    await pages?.finish(reading.value.shell);
    return good({ ...reading.value, archive: archive.value });
  } finally {
    await pages?.close();
  }
}

function checkFlags(inputs: ShellInputs): Result<never> | null {
  if (inputs.timeZone !== undefined && !isTimeZone(inputs.timeZone))
    return bad(
      'unknown-time-zone',
      `“${inputs.timeZone}” is no time zone; give an IANA name such as Europe/Dublin.`,
    );
  const contradiction = termContradiction(inputs);
  if (contradiction !== null) return bad('terms-contradict', contradiction);
  return null;
}

async function readParts(
  inputs: ShellInputs,
  archive: Archive,
  options: ReadOptions,
): Promise<Result<ShellReading>> {
  const cartridge = await readCartridge(archive, options);
  if (!cartridge.ok) return cartridge;
  const intake: IntakeNote[] = [...cartridge.value.notes];
  let shell = cartridge.value.shell;
  let state: ShellState | null = null;
  if (cartridge.value.stateFile) {
    const read = readState(cartridge.value.stateFile);
    if (read.ok) state = read.value;
    else
      intake.push({
        code: read.trouble.code,
        message: `${read.trouble.message}; it is not used`,
        where: stateFilePath,
      });
  }
  if (state) {
    append(intake, stateNotes(state, shell));
    shell = applyState(shell, state);
  }

  if (inputs.roster) {
    const { path, name } = inputs.roster;
    const tables = await readRosterTables(path, name);
    if (!tables.ok) return tables;
    const roster = readRoster(
      tables.value.tables,
      { code: inputs.code ?? null, asOf: inputs.asOf ?? inputs.today },
      name,
    );
    append(intake, tables.value.notes);
    append(intake, roster.notes);
    shell = applyRoster(shell, roster, state?.results ?? {});
    if (!shell.title && roster.title) shell = { ...shell, title: roster.title };
  }

  const inHouse = withHouseTerm({ ...shell, ...said(inputs, shell) }, inputs.houseTerms ?? []);
  shell = inHouse.shell;
  append(intake, inHouse.notes);
  const termEnd = shell.term.end;
  const stateZone = state && isTimeZone(state.timeZone) ? state.timeZone : null;
  const zones = { wanted: inputs.timeZone ?? null, otherwise: stateZone ?? 'UTC' };
  let timeZone = zones.wanted ?? zones.otherwise;
  let todos: readonly CalendarTodo[] = [];
  const otherwiseFrom = stateZone ? 'the package’s own state file' : 'nobody: UTC is used';
  let zoneFrom = inputs.timeZone ? null : otherwiseFrom;
  if (inputs.events) {
    const calendar = readText(inputs.events, intake, (text, name) =>
      readCalendar(text, name, zones, termEnd),
    );
    if (!calendar.ok) return calendar;
    append(intake, calendar.value.notes);
    todos = calendar.value.todos;
    if (!inputs.timeZone && calendar.value.timeZone) {
      timeZone = calendar.value.timeZone;
      zoneFrom = 'the calendar';
    }
    shell = { ...shell, events: calendar.value.events, calendar: calendar.value.frame };
  }
  shell = { ...shell, timeZone };
  if (inputs.previousEvents) {
    const previous = readText(inputs.previousEvents, intake, (text, name) =>
      readCalendar(text, name, { wanted: timeZone, otherwise: timeZone }, termEnd),
    );
    if (!previous.ok) return previous;
    append(intake, previous.value.notes);
    shell = { ...shell, previousEvents: previous.value.events };
  }
  if (inputs.status) {
    const name = inputs.status.name;
    const sheet = readText(inputs.status, intake, (text, of) =>
      readStatusSheet(text, of, inputs.statusColumns),
    );
    if (!sheet.ok) return sheet;
    const applied = applyStatusSheet(shell, sheet.value, name);
    shell = applied.shell;
    append(intake, sheet.value.notes);
    append(intake, applied.notes);
  }
  if (inputs.baseline) {
    const baseline = await readShell({ package: inputs.baseline, today: inputs.today });
    if (!baseline.ok)
      return bad(
        baseline.trouble.code,
        `The baseline “${inputs.baseline.name}” can’t be used: ${baseline.trouble.message}`,
      );
    baseline.value.archive.close();
    append(intake, ofBaseline(baseline.value.intake, inputs.baseline.name));
    shell = { ...shell, baseline: baselineOf(baseline.value.shell, inputs.baselineIs ?? 'supplied') };
  }
  const dated = applyTodos(shell, todos);
  shell = dated.shell;
  append(intake, dated.notes);
  append(intake, looseEnds(shell));
  if (zoneFrom)
    intake.push({ code: 'time-zone', message: `the time zone is ${timeZone}, from ${zoneFrom}`, where: '' });
  if (!inputs.asOf)
    intake.push({ code: 'as-of-today', message: `the as-of date is today, ${inputs.today}`, where: '' });
  return good({ shell, intake });
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
