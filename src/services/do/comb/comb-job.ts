import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { listedShare } from '@/core/checks/finding/listed-share';
import type { CheckRow } from '@/core/checks/run/run-checks';
import type { ShellCounts } from '@/core/inventory/inventory';
import type { Sha256 } from '@/core/refs/refs';
import { digest } from '@/core/refs/digest';
import { good, type Result } from '@/core/shell/result';
import { audits, shells } from '@/store/schema';
import { rulesFrom, rulesKey, writtenRules, type WrittenRules } from '@/services/keep/rules/written-rules';
import { knownAnswers, type KnownAnswers } from '@/services/keep/probe/known-answers';
import { defineJob, Refusal, type WorkerTools } from '@/services/keep/jobs/job-record';
import { courseOf } from '@/services/keep/rows/course';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';
import { auditShell } from '@/services/do/packages/audit-shell';
import { dropDrafts, rowsInPart, writePart, type DraftPart } from './draft-audit';

import { keepEye, writeEye } from '@/services/keep/findings/kept-eye';
import { keepReadings, recallReadings } from '@/services/keep/findings/kept-readings';
import {
  isAnyLeftBe,
  rowsOf,
  tallyOfFindings,
  tallyOf,
  type FindingRow,
  type Tally,
} from '@/services/keep/findings/kept-findings';

/** What came of a comb, without its findings, which are written down already. */
interface Combed {
  readonly auditId: string;
  readonly counts: ShellCounts;
  readonly checks: readonly CheckRow[];
  /** As if nothing had been left be. */
  readonly tally: Tally;
  readonly findings: number;
  readonly milliseconds: number;
  /** What students get of it, as it is kept. */
  readonly eye: string;
}
type WholeComb = Omit<Combed, 'auditId' | 'findings'> & { readonly rows: Iterable<FindingRow> };

/** Beyond so many findings a comb is not remembered for the next time that the same is asked. */
const mostRemembered = 20_000;

/** Combs a version of a shell; the findings are kept with it. */
export const combJob = defineJob({
  kind: 'comb',
  input: z.strictObject({
    versionId: z.string(),
    stateBlob: blobHash,
    rules: writtenRules,
    answers: knownAnswers,
  }),
  drafts: true,
  run: async (input, tools): Promise<Result<Combed>> => {
    const whole = recall(input, tools) ?? comb(input, tools);
    if (!whole.ok) return whole;
    const { rows, ...combed } = whole.value;
    const auditId = randomUUID();
    const findings = await writeDown(auditId, rows, tools);
    return good({ ...combed, auditId, findings });
  },
  note: (entry, { versionId }, { tx, shellId }) => writePart(tx, shellId, versionId, entry),
  settle: (combed: Combed, { rules }, { tx, now, shellId }) => {
    const { auditId, counts, checks, tally, milliseconds, findings, eye } = combed;
    const shell = tx
      .select({ id: shells.id, code: shells.code })
      .from(shells)
      .innerJoin(audits, and(eq(audits.shellId, shells.id), eq(audits.id, auditId)))
      .where(eq(shells.id, shellId ?? ''))
      .get();
    if (!shell) throw new Refusal('The shell was removed while it was combed.');
    const course = courseOf(shell);
    const open = isAnyLeftBe(tx, auditId, course)
      ? tallyOf(tx, auditId, course, counts, tally.unlisted)
      : tally;
    tx.update(audits)
      .set({
        counts: JSON.stringify(counts),
        checks: JSON.stringify(checks),
        tally: JSON.stringify(open),
        milliseconds,
        rulesKey: rulesKey(rules),
        combedAt: now,
        isDraft: false,
      })
      .where(eq(audits.id, auditId))
      .run();
    keepEye(tx, { auditId, shellId: shell.id, eye });
    return { findings };
  },
  abandon: ({ versionId }, tx) => dropDrafts(tx, versionId),
});

/** What a comb looks at. */
interface CombInput {
  readonly stateBlob: Sha256;
  readonly rules: WrittenRules;
  readonly answers: KnownAnswers;
}

const keyOf = ({ stateBlob, rules, answers }: CombInput) =>
  `audit ${stateBlob} ${digest(JSON.stringify(rules))} ${answers ? digest(JSON.stringify(answers)) : ''}`;

/** The same shell under the same rules, with the same answers from outside, has the same findings. */
function recall(input: CombInput, { memo }: WorkerTools): Result<WholeComb> | null {
  const known = memo.get(keyOf(input));
  return known && good(JSON.parse(known.toString('utf8')) as WholeComb);
}

function comb(input: CombInput, { blobs, memo, progress }: WorkerTools): Result<WholeComb> {
  const { stateBlob, rules, answers } = input;
  const read = rulesFrom(rules);
  if (!read.ok) return read;
  const begun = performance.now();
  const shell = shellOf(blobs, stateBlob);
  recallReadings(memo, shell);
  const tell = (done: number, total: number, { title }: { readonly title: string }) =>
    progress(done, total, title);
  const audit = auditShell(shell, read.value, tell, answers);
  const { counts, checks } = audit;
  const { listed, unlisted } = listedShare(audit.findings, counts);
  const rows = rowsOf(shell, listed);
  const milliseconds = Math.round(performance.now() - begun);
  const tally = tallyOfFindings(listed, counts, unlisted);
  const combed = { counts, checks, tally, milliseconds, eye: writeEye(shell) };
  keepReadings(memo, shell);
  if (listed.length > mostRemembered) return good({ ...combed, rows });
  const kept = [...rows];
  memo.put([[keyOf(input), Buffer.from(JSON.stringify({ ...combed, rows: kept }))]]);
  return good({ ...combed, rows: kept });
}

/** Has the findings written down part by part; says how many there were. */
async function writeDown(auditId: string, rows: Iterable<FindingRow>, tools: WorkerTools): Promise<number> {
  let place = 0;
  let part: FindingRow[] = [];
  let writing: Promise<unknown> = Promise.resolve();
  // One part is written down by the answering thread while the next is worked out here.
  const write = async () => {
    await writing;
    writing = tools.note({ auditId, place, rows: part } satisfies DraftPart);
    place += part.length;
    part = [];
  };
  for (const row of rows) {
    part.push(row);
    if (part.length < rowsInPart) continue;
    tools.progress(place, place, 'Writing the findings down');
    await write();
  }
  if (part.length > 0 || place === 0) await write();
  await writing;
  return place;
}
