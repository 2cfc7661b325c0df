import { batchFindings } from '@/core/checks/batches';
import type { CheckRecord } from '@/core/checks/check';
import type { ListedFinding } from '@/core/checks/finding';
import { plural } from '@/core/text/plural';

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
      asks:
        batch.question ??
        `${plural(batch.things, 'thing')}: ${titleOf(members, checks)}. What shall become of it?`,
      proposal: batch.action === null ? null : `${actionWords(batch.action)} ${batch.touches}`,
      things: members.map(sayFinding),
      findings: batch.findings,
    };
  });
}

function titleOf(members: readonly ListedFinding[], checks: readonly CheckRecord[]): string {
  const [first] = members;
  const check = checks.find((one) => one.id === first?.check);
  return check?.title.toLowerCase() ?? 'found';
}

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
