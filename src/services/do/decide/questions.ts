import { eq } from 'drizzle-orm';
import { allChecks } from '@/core/checks/run/registry';
import { actionOf } from '@/core/plan/step';
import type { ActionName } from '@/core/plan/actions/registry';
import { questionsOf, type Answer, type Question, type QuestionSheet } from '@/core/questions/question';
import { bad, good, type Result } from '@/core/shell/result';
import { ownerAnswers } from '@/store/schema';
import { listedFindings } from '@/services/keep/findings/kept-findings';
import type { Context } from '@/services/keep/desks/context';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { fetchedOf } from '@/services/keep/desks/stage-answer';
import { courseOf } from '@/services/keep/rows/course';
import { findShell, type CurrentShell } from '@/services/keep/shells/current-shell';
import { spellTerm } from '@/services/keep/shells/spell-term';
import type { Decision } from '@/services/keep/plan/decision';
import { decide, waitingFindings } from './decisions';

/** The questions that wait for the owner of a shell. */
export function questionSheet(folder: OpenFolder, shell: CurrentShell, today: string): QuestionSheet {
  const asked = new Set(
    waitingFindings(folder, shell)
      .filter(({ kind }) => kind === 'ask')
      .map(({ finding }) => finding),
  );
  const open = shell.audit ? listedFindings(folder.db, shell.audit.id, courseOf(shell.row), 'open') : [];
  const { row } = shell;
  return {
    shell: row.code ? `${row.code} ${row.title}` : row.title,
    term: spellTerm(row),
    made: today,
    questions: questionsOf(
      open.filter((finding) => asked.has(finding.id)),
      allChecks,
      (action) => actionOf(action as ActionName).label,
    ),
  };
}

/** Answers as they come back. */
interface ReturnedSheet {
  /** A saved question sheet, or its table. */
  readonly text: string;
  /** Taken, or only looked at. */
  readonly take: boolean;
}

/** One answer as it is shown before it is taken. */
export interface AnswerLine {
  readonly asks: string;
  readonly answer: Answer;
  readonly note: string;
  /** What it comes to here. */
  readonly becomes: 'accepted' | 'left be' | 'for later' | 'by hand';
  readonly findings: number;
  /** Findings of the question that are not open any more. */
  readonly gone: number;
}
export interface AnswersRead {
  readonly lines: readonly AnswerLine[];
  readonly taken: boolean;
}

/** Reads the owner’s answers; takes them as decisions where that is asked for. */
export async function readBackAnswers(
  folder: Context,
  shell: CurrentShell,
  { text, take }: ReturnedSheet,
): Promise<Result<AnswersRead>> {
  const read = fetchedOf(await folder.stages.errand('question-sheet', text));
  if (!read.ok) return read;
  const open = new Map(
    (shell.audit ? listedFindings(folder.db, shell.audit.id, courseOf(shell.row), 'open') : []).map(
      (finding) => [finding.id, finding],
    ),
  );
  const known = read.value.map((answer) => ({
    answer,
    here: answer.findings.flatMap((id) => open.get(id) ?? []),
  }));
  if (known.every(({ here }) => here.length === 0))
    return bad(
      'answers-of-another-shell',
      'None of these questions is about something that is open in this shell; is it the right shell, and was it combed?',
    );
  const lines = known.map(({ answer, here }): AnswerLine => ({
    asks: askedNow(here) ?? `A question about ${answer.findings.length} findings`,
    answer: answer.answer,
    note: answer.note,
    becomes: becomesOf(
      answer.answer,
      here.some((finding) => finding.remedy !== null),
    ),
    findings: here.length,
    gone: answer.findings.length - here.length,
  }));
  if (!take) return good({ lines, taken: false });
  for (const { answer, here } of known) {
    const result = decideAs(folder, shell, answer.answer, here, answer.note);
    if (!result.ok) return result;
  }
  rememberAnswers(folder, shell, lines);
  return good({ lines, taken: true });
}

/** Keeps what was answered, for the sign-off. */
function rememberAnswers({ db }: OpenFolder, { row }: CurrentShell, lines: readonly AnswerLine[]): void {
  const takenAt = new Date().toISOString();
  const rows = lines
    .filter(({ findings }) => findings > 0)
    .map(({ asks, answer, note, becomes, findings }) => {
      return { shellId: row.id, asks, answer, note, becomes, findings, takenAt };
    });
  if (rows.length) db.insert(ownerAnswers).values(rows).run();
}

/** The owner’s answers that were taken, in their order. */
export const answersTaken = ({ db }: OpenFolder, { row }: CurrentShell) =>
  db.select().from(ownerAnswers).where(eq(ownerAnswers.shellId, row.id)).orderBy(ownerAnswers.id).all();

const askedNow = (here: Parameters<typeof questionsOf>[0]): string | undefined =>
  questionsOf(here, allChecks, (action) => actionOf(action as ActionName).label)[0]?.asks;

function becomesOf(answer: Answer, hasRemedy: boolean): AnswerLine['becomes'] {
  switch (answer) {
    case 'yes':
      return hasRemedy ? 'accepted' : 'by hand';
    case 'no':
      return 'left be';
    case 'unsure':
      return 'for later';
  }
}

/** An answer as decisions: what has no remedy to accept is put off for a person to do by hand. */
function decideAs(
  folder: OpenFolder,
  shell: CurrentShell,
  answer: Answer,
  here: readonly { readonly id: string; readonly remedy: unknown }[],
  note: string,
): Result<unknown> {
  const withRemedy = here.filter((finding) => finding.remedy !== null).map(({ id }) => id);
  const without = here.filter((finding) => finding.remedy === null).map(({ id }) => id);
  const all = here.map(({ id }) => id);
  const decisions: readonly Decision[] = {
    yes: [
      { decision: 'accept' as const, findings: withRemedy },
      { decision: 'later' as const, findings: without },
    ],
    no: [{ decision: 'leave-be' as const, findings: all, reason: note || 'The owner said so.' }],
    unsure: [{ decision: 'later' as const, findings: all }],
  }[answer];
  for (const decision of decisions) {
    if (decision.findings.length === 0) continue;
    const result = decide(folder, findShell(folder, shell.row.id) ?? shell, decision);
    if (!result.ok) return result;
  }
  return good(null);
}

/** What the page of questions shows. */
export interface QuestionsView {
  readonly id: string;
  readonly questions: readonly Question[];
}
export const questionsView = (folder: OpenFolder, shell: CurrentShell): QuestionsView => ({
  id: shell.row.id,
  questions: questionSheet(folder, shell, '').questions,
});
