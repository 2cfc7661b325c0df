import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { plural } from '@/core/text/plural';
import { isOld, webAnswersSchema, type WebAnswer } from '@/core/probe/web-answer';
import { bad, good, type Result } from '@/core/shell/result';
import { askAll } from '@/connectors/web/ask-all';
import { GuardedConnector } from '@/connectors/web/guarded-connect';
import { readWebMap } from '@/connectors/web/web-map';
import { WebAsker } from '@/connectors/web/web-asker';
import { shellProbes, shells, versions, webAnswers } from '@/store/schema';
import type { Transaction } from '@/store/database';
import { combWhatIsWritten } from '@/services/do/comb/comb-what-is-written';
import { recallReadings } from '@/services/keep/findings/kept-readings';
import { writtenRules } from '@/services/keep/rules/written-rules';
import { defineJob, type WorkerTools } from '@/services/keep/jobs/job-record';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';
import { AnswerBook } from './answer-book';
import { answersOf } from '@/services/keep/probe/known-answers';
import { probedLinks, type ProbedLink } from '@/services/keep/probe/probed-link';

/** What the job says on the way: which answers are there already, or those that came. */
const noteSchema = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('known'), urls: z.array(z.string()) }),
  z.strictObject({ is: z.literal('answers'), answers: webAnswersSchema }),
]);
type Note = z.output<typeof noteSchema>;

interface Probed {
  readonly links: readonly ProbedLink[];
  readonly asked: number;
}

/** So many addresses are asked in one probe: no package may have a host asked for ever. The next one goes on with the others. */
const mostAsked = 10_000;

/** Asks the addresses that lead out of a shell; where it is cut off it goes on with those that have no answer yet. */
export const probeJob = defineJob({
  kind: 'probe',
  input: z.strictObject({
    versionId: z.string(),
    stateBlob: blobHash,
    rules: writtenRules,
    /** Ask all of them, however new their answers are. */
    again: z.boolean(),
    /** When it was ordered: what was asked since then is not asked again. */
    orderedAt: z.string(),
  }),
  aside: true,
  run: async ({ stateBlob, again, orderedAt }, tools): Promise<Result<Probed>> => {
    tools.progress(0, 0, 'Looking for links to the outside');
    const shell = shellOf(tools.blobs, stateBlob);
    recallReadings(tools.memo, shell);
    const links = probedLinks(shell);
    const known = await knownOf(links, tools);
    const ordered = Date.parse(orderedAt);
    const isToAsk = (answer: WebAnswer | undefined) =>
      !answer || (Date.parse(answer.askedAt) < ordered && (again || isOld(answer, ordered)));
    const wanted = links.filter(({ url }) => isToAsk(known.get(url))).slice(0, mostAsked);
    const isConnected = await askLinks(wanted, links.length, tools);
    if (!isConnected)
      return bad(
        'offline',
        `None of ${plural(wanted.length, 'address', 'addresses')} could be reached; this computer seems not to be connected. Nothing is called dead because of that; try again when it is.`,
      );
    return good({ links, asked: wanted.length });
  },
  note: (entry, _, { tx }) => {
    const note = noteSchema.parse(entry);
    if (note.is === 'known') return answersOf(tx, note.urls);
    keepAnswers(tx, note.answers);
    return null;
  },
  settle: ({ links, asked }: Probed, { versionId, rules }, { tx, now, shellId, order }) => {
    if (shellId === null) return { asked };
    const shell = tx.select().from(shells).where(eq(shells.id, shellId)).get();
    if (!shell) return { asked };
    const row = { versionId, links: JSON.stringify(links), probedAt: now };
    tx.insert(shellProbes)
      .values({ shellId, ...row })
      .onConflictDoUpdate({ target: shellProbes.shellId, set: row })
      .run();
    // It may have been changed while the addresses were asked; what is there now is combed.
    const version = tx.select().from(versions).where(eq(versions.id, shell.versionId)).get();
    const desk = { tx, now, shellId, order };
    if (version) combWhatIsWritten(desk, shellId, version.id, version.stateBlob, rules);
    return { asked };
  },
});

async function knownOf(
  links: readonly ProbedLink[],
  { note }: WorkerTools,
): Promise<ReadonlyMap<string, WebAnswer>> {
  const urls = links.map(({ url }) => url);
  const answers = webAnswersSchema.parse(await note({ is: 'known', urls } satisfies Note));
  return new Map(answers.map((answer) => [answer.url, answer]));
}

/** Asks these; false where this computer seems not to be connected. */
async function askLinks(
  wanted: readonly ProbedLink[],
  all: number,
  { note, progress }: WorkerTools,
): Promise<boolean> {
  const mapFile = process.env['CURRYCOMB_WEB'];
  const asker = new WebAsker(new GuardedConnector(mapFile ? readWebMap(mapFile) : null));
  const book = new AnswerBook((answers) => note({ is: 'answers', answers: [...answers] } satisfies Note));
  let done = all - wanted.length;
  try {
    await askAll(asker, wanted, async (answer) => {
      await book.take(answer);
      done += 1;
      progress(done, all, `Asking ${new URL(answer.url).host}`);
    });
    return await book.close();
  } finally {
    await asker.close();
  }
}

function keepAnswers(tx: Transaction, answers: readonly WebAnswer[]): void {
  for (const answer of answers) {
    const { url, state, askedAt } = answer;
    const row = { state, answer: JSON.stringify(answer), askedAt };
    tx.insert(webAnswers)
      .values({ url, ...row })
      .onConflictDoUpdate({ target: webAnswers.url, set: row })
      .run();
  }
}
