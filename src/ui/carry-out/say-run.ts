import { elementAt } from '@/core/sure';
import { plural } from '@/core/text/plural';
import type { Emptiness } from '@/core/plan/reset/emptiness';
import type { RunSummary } from '@/services/keep/runs/run-summary';

/** Joins parts the way people do: “a, b and c”. */
const join = (parts: readonly string[]): string =>
  parts.length < 2 ? (parts[0] ?? '') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;

/** What a run did, in one line: what went or came in, each sort that there is any of; else how many changes it made. */
export function sayRun({ removed, added, done }: Pick<RunSummary, 'removed' | 'added' | 'done'>): string {
  const counts = added
    ? [added.item, added.file, added.event, added.gradeCategory, added.gradeColumn, added.bank]
    : [
        removed.items,
        removed.files,
        removed.events,
        removed.gradeCategories,
        removed.gradeColumns,
        removed.banks,
      ];
  const words = [
    ['item'],
    ['file'],
    ['event'],
    ['grade category', 'grade categories'],
    ['grade column'],
    ['question bank'],
  ] as const;
  const parts = counts.flatMap((n, i) =>
    n > 0 ? [plural(n, elementAt(words, i)[0], elementAt(words, i)[1])] : [],
  );
  const sum = counts.reduce((a, b) => a + b, 0);
  if (!parts.length) return `Done: ${plural(done, 'change')} made`;
  const [one, many] = added ? ['was added', 'were added'] : ['is gone', 'are gone'];
  return `Done: ${join(parts)} ${sum === 1 ? one : many}`;
}

/** How empty a reset left the shell, in one line. */
export function sayEmptiness({ before, left, kept, stuck }: Emptiness): string {
  const counts = `${left.toLocaleString('en')} of ${before.toLocaleString('en')} left`;
  if (left === 0) return `Empty: ${counts}`;
  if (left === kept) return `Empty except for what stays: ${counts}`;
  return `${plural(left - kept, 'thing')} would not go (${stuck.slice(0, 3).join(', ')}): ${counts}`;
}
