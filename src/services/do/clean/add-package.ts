import { existsSync, readdirSync } from 'node:fs';
import { addThings, type AddOptions } from '@/core/add/add-things';
import { chooseThings, isTaken, type AddWish } from '@/core/add/choose';
import { exposedKey, sayExposed } from '@/core/add/exposed-key';
import { holdAgainst } from '@/core/add/hold-against';
import { incomingKey } from '@/core/add/incoming';
import { isOnePlace, type Landing } from '@/core/add/landing';
import type { NoClassOf } from '@/core/add/redate-taken';
import type { HouseRules } from '@/core/checks/rules/house-rules';
import type { LocalDate } from '@/core/dates/local-date';
import type { FilePath } from '@/core/refs/refs';
import type { Shell } from '@/core/shell/model';
import { houseNoClass } from '@/core/time/house-terms';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import type { Archive } from '@/formats/archive/read-archive';
import type { BytesSource } from '@/formats/cartridge/write-cartridge';
import { addReport, type AddReport, type WorkedOutAddition } from '@/formats/report/add-report';
import { auditShell } from '@/services/do/packages/audit-shell';
import { readShell } from '@/services/do/packages/read-shell';
import type { ShellInputs } from '@/services/do/packages/shell-inputs';
import type { CleanOptions } from './clean-package';
import { ScratchFolder } from './scratch-folder';
import { handOver, writeCleanResult } from './write-clean';

export interface AddPackageOptions extends Pick<CleanOptions, 'outDir' | 'scratch' | 'onProgress'> {
  readonly wish: AddWish;
  readonly landing: Landing;
  readonly dating: AddOptions['dating'];
  readonly hidden: boolean;
  readonly homePage: string | null;
  /** Days without class of the source’s term; those of the house rules where none are told. */
  readonly sourceNoClass: readonly LocalDate[] | null;
  readonly rules: HouseRules;
}

/**
 * Adds things of one package to another by script. Without an out-directory it works the adding out and writes nothing.
 * Troubles: `usage` and `redate-refused` for what can’t be asked, `key-shown` where students would see an answer key.
 */
export async function addPackage(
  source: ShellInputs,
  target: ShellInputs,
  options: AddPackageOptions,
): Promise<Result<AddReport>> {
  const { outDir, rules, onProgress } = options;
  if (outDir !== null && existsSync(outDir) && readdirSync(outDir).length > 0)
    return bad('usage', `The folder “${outDir}” is not empty; name a new or empty one.`);
  const reading = (doing: string) => ({
    onProgress: (done: number, total: number) => onProgress?.(done, total, doing),
  });
  const into = await readShell({ ...target, houseTerms: rules.terms }, reading('Reading the shell'));
  if (!into.ok) return bad(into.trouble.code, `The shell: ${into.trouble.message}`);
  const { timeZone } = into.value.shell;
  const onSameClock = { ...source, timeZone: source.timeZone ?? timeZone };
  const from = await readShell(onSameClock, reading('Reading the source'));
  try {
    if (!from.ok) return bad(from.trouble.code, `The source: ${from.trouble.message}`);
    return await addRead(from.value, into.value, target, options);
  } finally {
    into.value.archive.close();
    if (from.ok) from.value.archive.close();
  }
}

/** A package that was read, with its archive open. */
interface OpenShell {
  readonly shell: Shell;
  readonly intake: readonly IntakeNote[];
  readonly archive: Archive;
}

async function addRead(
  from: OpenShell,
  into: OpenShell,
  inputs: ShellInputs,
  options: AddPackageOptions,
): Promise<Result<AddReport>> {
  const worked = workOut(from.shell, into.shell, options);
  if (!worked.ok) return worked;
  const report = addReport(worked.value);
  if (options.outDir === null) return good(report);
  const scratch = options.scratch ?? new ScratchFolder();
  try {
    options.onProgress?.(1, 1, 'Writing the result');
    const { after } = worked.value.addition;
    const [before, audit] = [auditShell(into.shell, options.rules), auditShell(after, options.rules)];
    const about = { original: into.shell, intake: into.intake, before, audit, results: [], summary: report };
    const source = bytesOf(from, into);
    const withSides = sidesFor(inputs, after);
    await writeCleanResult(scratch.path('out'), { shell: after, ...about }, withSides, source);
    const handed = handOver(scratch.path('out'), options.outDir);
    return handed.ok ? good(report) : handed;
  } finally {
    scratch.remove();
  }
}

/** Holds the source against the shell, chooses, and adds; nothing is written. */
function workOut(from: Shell, into: Shell, options: AddPackageOptions): Result<WorkedOutAddition> {
  const { landing, rules, hidden } = options;
  const misplaced = whyNoPlace(into, landing);
  if (misplaced !== null) return bad('usage', misplaced);
  const preview = holdAgainst(into, from, { rules, hidden });
  const choice = chooseThings(preview, options.wish, { toOnePlace: isOnePlace(landing) });
  if (!choice.ok) return choice;
  const noClassOf: NoClassOf = (term) => options.sourceNoClass ?? houseNoClass(term, rules.terms);
  const addition = addThings(into, from, preview, choice.value, { ...options, noClassOf, batch: null });
  if (!addition.ok) return addition;
  const worked = { into, from, preview, choice: choice.value, addition: addition.value };
  const { homePage } = options;
  if (homePage !== null && !isTaken(choice.value, incomingKey('item', homePage)))
    return bad('usage', `“${homePage}” is not taken, so it can’t become the home page; take it with --and.`);
  const key = exposedKey(preview, choice.value, addition.value);
  return key === null ? good(worked) : bad('key-shown', sayExposed(key));
}

/** Why nothing can land at the place that was named, as a sentence; null where it can. */
function whyNoPlace({ items }: Shell, landing: Landing): string | null {
  if (landing.where === 'match' || landing.where === 'end') return null;
  const place = items.find(({ ref }) => ref === landing.ref);
  if (!place?.placed)
    return `There is nothing with the ref “${landing.ref}” in the outline of the shell; take refs as the audit gives them.`;
  if (landing.where === 'in' && place.kind !== 'module')
    return `“${place.title}” is no module; name a module, or put things before or after it.`;
  return null;
}

/** The bytes of what is kept from the shell’s archive, and of what came from the source’s, by their hashes. */
function bytesOf(from: OpenShell, into: OpenShell): BytesSource {
  const places = new Map<string, { readonly archive: Archive; readonly path: FilePath }>();
  for (const { shell, archive } of [from, into])
    for (const { sha256, path } of [...shell.entries, ...shell.files]) places.set(sha256, { archive, path });
  return {
    read: (hash) => {
      const place = places.get(hash);
      const bytes = place?.archive.read(place.path);
      return bytes?.ok ? bytes.value : null;
    },
  };
}

/** A shell that was given without side files gets those for which there is something by now. */
function sidesFor(inputs: ShellInputs, after: Shell): ShellInputs {
  const written = (name: string, isFilled: boolean) => (isFilled ? { path: name, name } : undefined);
  const hasStatus = after.items.some(
    ({ shown, opens, due, closes, gradeColumn, requires }) =>
      shown !== null ||
      opens !== null ||
      due !== null ||
      closes !== null ||
      gradeColumn !== null ||
      requires.length > 0,
  );
  return {
    ...inputs,
    events: inputs.events ?? written('events.ics', after.events.length > 0),
    roster: inputs.roster ?? written('grades', after.gradeCategories.length + after.gradeColumns.length > 0),
    status: inputs.status ?? written('status.csv', hasStatus || after.homePages.length > 0),
  };
}
