import { batchFindings, type Batch } from '@/core/checks/run/batches';
import type { CheckRecord } from '@/core/checks/check/check';
import type { ListedFinding } from '@/core/checks/finding/finding';

export const answers = ['yes', 'no', 'unsure'] as const;
/** Do as proposed; leave it; the owner does not know either. */
export type Answer = (typeof answers)[number];

/** One question to the owner of a shell: a batch of findings that one answer decides. */
export interface Question {
  readonly id: string;
  /** In one sentence, as the owner reads it. */
  readonly asks: string;
  /** What yes would do: “Delete 3 of them”; null where nothing is proposed and yes means that it is to be put right by hand. */
  readonly proposal: string | null;
  /** What it is about, each in words with its place. */
  readonly things: readonly string[];
  readonly findings: readonly string[];
}

export interface QuestionSheet {
  readonly shell: string;
  readonly term: string;
  /** The day it was made. */
  readonly made: string;
  readonly questions: readonly Question[];
}

/** The questions behind some findings; findings that one decision fits are one question. */
export function questionsOf(
  findings: readonly ListedFinding[],
  checks: readonly CheckRecord[],
  actionWords: (action: string) => string,
): readonly Question[] {
  const byId = new Map(findings.map((finding) => [finding.id, finding]));
  return batchFindings(findings, checks).map((batch) => {
    const members = batch.findings.flatMap((id) => byId.get(id) ?? []);
    return {
      id: batch.id,
      asks: batch.question ?? sayBatch(batch),
      proposal: batch.action === null ? null : `${actionWords(batch.action)} ${batch.touches}`,
      things: members.map(sayFinding),
      findings: batch.findings,
    };
  });
}

/** The question where the check has none of its own. */
const sayBatch = ({ things, title }: Batch): string =>
  `${things} ${title}: what shall become of ${things === 1 ? 'it' : 'them'}?`;

function sayFinding(finding: ListedFinding): string {
  const place = finding.subjects[0]?.path ?? [];
  return place.length > 0 ? `${finding.title} (${place.join(' › ')})` : finding.title;
}

/** An answer as it was read back. */
export interface ReadAnswer {
  readonly id: string;
  readonly answer: Answer;
  readonly note: string;
  /** The findings that the question was about, as the sheet says them. */
  readonly findings: readonly string[];
}
