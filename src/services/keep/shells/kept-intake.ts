import { collect } from '@/core/collect';
import type { IntakeNote } from '@/core/shell/result';
import type { Sha256 } from '@/core/refs/refs';
import { lost } from '@/core/shell/unreadable-store';
import type { BlobStore } from '@/store/blobs';
import { parseKept } from '@/services/keep/rows/parse-kept';

/** Notes of one kind: how many there are, and the first of them. */
export interface IntakeGroup {
  readonly code: string;
  readonly count: number;
  readonly first: IntakeNote;
  readonly listed: readonly IntakeNote[];
}

/** So many notes of one kind are listed; a file can make tens of thousands. */
const mostListed = 200;
const whatIsKept = 'The intake report of this shell';

/** An intake report as a row keeps it: what lists show stands in the row, all of it in a blob where that is more. */
export interface KeptIntake {
  /** `ListedIntake` as JSON; in rows of an earlier Currycomb the notes themselves. */
  readonly intake: string;
  readonly notesBlob: Sha256 | null;
}

const listedForm = 'currycomb.intake/2';
interface ListedIntake {
  readonly form: typeof listedForm;
  /** How many notes there are of each kind, the kinds in the order in which they came first. */
  readonly counts: readonly (readonly [code: string, count: number])[];
  /** The first notes of each kind, in the order in which they came. */
  readonly listed: readonly IntakeNote[];
}

/** The intake report of what has none. */
export const noIntake: KeptIntake = { intake: '[]', notesBlob: null };

/** Keeps what a reading met, in the thread that read. */
export function keepIntake(blobs: BlobStore, notes: readonly IntakeNote[]): KeptIntake {
  const kept = listedOf(notes);
  const isAllListed = kept.listed.length === notes.length;
  return {
    intake: JSON.stringify(kept),
    notesBlob: isAllListed ? null : blobs.put(JSON.stringify(notes)),
  };
}

function listedOf(notes: readonly IntakeNote[]): ListedIntake {
  const counts = new Map<string, number>();
  const listed: IntakeNote[] = [];
  for (const note of notes) {
    const count = (counts.get(note.code) ?? 0) + 1;
    counts.set(note.code, count);
    if (count <= mostListed) listed.push(note);
  }
  return { form: listedForm, counts: [...counts], listed };
}

/** What lists show of an intake report: the notes of one kind together, the kinds in the order in which they came first. */
export function intakeGroups(kept: string): readonly IntakeGroup[] {
  const opened = openRow(kept);
  const { counts, listed } = isListed(opened) ? opened : listedOf(opened);
  const groups = new Map<string, IntakeNote[]>();
  for (const note of listed) collect(groups, note.code, note);
  return counts.flatMap(([code, count]) => {
    const ofKind = groups.get(code) ?? [];
    const [first] = ofKind;
    return first ? [{ code, count, first, listed: ofKind }] : [];
  });
}

/** Every note of an intake report, in the order in which they came. */
export function wholeIntake(blobs: BlobStore, { intake, notesBlob }: KeptIntake): readonly IntakeNote[] {
  if (notesBlob === null) {
    const opened = openRow(intake);
    return isListed(opened) ? opened.listed : opened;
  }
  const bytes = blobs.read(notesBlob);
  if (!bytes) throw lost(whatIsKept);
  return parseKept(bytes.toString('utf8'), whatIsKept);
}

type IntakeRow = ListedIntake | readonly IntakeNote[];
const openRow = (kept: string): IntakeRow => parseKept<IntakeRow>(kept, whatIsKept);
const isListed = (opened: IntakeRow): opened is ListedIntake => 'form' in opened;
