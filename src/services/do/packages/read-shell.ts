import { bad, good, type Result } from '@/core/shell/result';
import { unsoundnessOf } from '@/core/shell/soundness';
import type { LocalDate } from '@/core/dates/local-date';
import { isTimeZone } from '@/core/dates/zones';
import { openArchive, type Archive } from '@/formats/archive/read-archive';
import { readCartridge } from '@/formats/cartridge/read-cartridge';
import type { ReadOptions } from '@/formats/cartridge/read-entries';
import { isHtmlName } from '@/formats/cartridge/resource-types';
import { PageThread } from './page-thread';
import { termContradiction } from './contradictions';
import type { InputFile, ShellInputs } from './shell-inputs';
import { ShellParts, type ShellReading } from './shell-parts';

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
    const reading = await readAll(
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

async function readAll(
  inputs: ShellInputs,
  archive: Archive,
  options: ReadOptions,
): Promise<Result<ShellReading>> {
  const cartridge = await readCartridge(archive, options);
  if (!cartridge.ok) return cartridge;
  const parts = new ShellParts(inputs, cartridge.value.shell, cartridge.value.notes);
  parts.addState(cartridge.value.stateFile);
  const trouble =
    (await parts.addRoster()) ??
    parts.addWhatWasSaid() ??
    parts.addEvents() ??
    parts.addPreviousEvents() ??
    parts.addStatus() ??
    (await parts.addBaseline(readBaseline));
  return trouble ?? sound(parts.whole(), inputs.package.name);
}

/** What was read, where it hangs together. Trouble `unsound`. */
function sound(reading: ShellReading, name: string): Result<ShellReading> {
  const fault = unsoundnessOf(reading.shell);
  return fault === null
    ? good(reading)
    : bad('unsound', `“${name}” contradicts itself: ${fault}. Export it again, or correct that.`);
}

/** The shell of a baseline package alone. */
async function readBaseline(file: InputFile, today: LocalDate): Promise<Result<ShellReading>> {
  const reading = await readShell({ package: file, today });
  if (!reading.ok) return reading;
  reading.value.archive.close();
  return reading;
}
