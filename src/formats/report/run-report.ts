import type { Finding } from '@/core/checks/finding/finding';
import type { RemovedCounts } from '@/core/plan/run-plan';
import { plural } from '@/core/text/plural';
import { familyTable, firstOf } from './audit-report';
import { tableOf, type Report } from './model/report';

/** One step of a run as the ledger has it. */
export interface RunLine {
  readonly direction: 'do' | 'undo';
  readonly action: string;
  readonly titles: readonly string[];
  readonly outcome: string;
  readonly reason: string | null;
  readonly at: string;
}
export interface RunReportInput {
  readonly shell: string;
  readonly about: readonly string[];
  readonly number: number;
  readonly finishedAt: string;
  readonly removed: RemovedCounts;
  readonly relinked: number;
  readonly lines: readonly RunLine[];
  /** The findings before it and after, where both were combed. */
  readonly findings: { readonly before: readonly Finding[]; readonly after: readonly Finding[] } | null;
}

const removedWords = [
  ['items', 'item'],
  ['files', 'file'],
  ['events', 'event'],
  ['gradeCategories', 'grade category', 'grade categories'],
  ['gradeColumns', 'grade column'],
  ['banks', 'question bank'],
] as const satisfies readonly (readonly [keyof RemovedCounts, string, string?])[];

/** What one run did, step by step, and what became of the findings. */
export function runReport(input: RunReportInput): Report {
  const { shell, about, number, finishedAt, removed, relinked, lines, findings } = input;
  const done = lines.filter(({ direction, outcome }) => direction === 'do' && outcome === 'done').length;
  const gone = removedWords.flatMap(([key, one, many]) =>
    removed[key] > 0 ? [plural(removed[key], one, many)] : [],
  );
  return {
    schema: 'currycomb.report/1',
    of: 'run',
    title: `${shell}: run ${number}`,
    about: [...about, `Carried out ${finishedAt.slice(0, 16).replace('T', ' ')} (UTC).`],
    figure: `${plural(done, 'step')} done; removed: ${gone.join(', ') || 'nothing'}; ${plural(relinked, 'address', 'addresses')} rewritten.`,
    tables: [
      ...tableOf(
        'steps',
        'What was done',
        ['Step', 'On', 'Count', 'Outcome', 'When (UTC)'],
        lines.map(({ direction, action, titles, outcome, reason, at }) => [
          direction === 'undo' ? `${action}, taken back` : action,
          firstOf(titles),
          titles.length,
          reason ? `${outcome}: ${reason}` : outcome,
          at.slice(0, 19).replace('T', ' '),
        ]),
      ),
      ...(findings ? familyTable(findings.after, findings.before) : []),
    ],
    signatures: [],
  };
}
