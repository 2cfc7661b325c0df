import { collect } from '@/core/collect';
import type { IntakeNote } from '@/core/shell/result';

/** Notes of one kind: how many there are, and the first of them. */
export interface IntakeGroup {
  readonly code: string;
  readonly count: number;
  readonly first: IntakeNote;
  readonly listed: readonly IntakeNote[];
}

/** So many notes of one kind are listed; a file can make tens of thousands. */
const mostListed = 200;

/** The notes of a reading, those of one kind together, in the order in which the kinds come first. */
export function intakeGroups(notes: readonly IntakeNote[]): readonly IntakeGroup[] {
  const groups = new Map<string, IntakeNote[]>();
  for (const note of notes) collect(groups, note.code, note);
  return [...groups].flatMap(([code, [first, ...others]]) => {
    if (!first) return [];
    const listed = [first, ...others.slice(0, mostListed - 1)];
    return [{ code, count: others.length + 1, first, listed }];
  });
}
