import { judgeAnswer } from '@/core/probe/judge-answer';
import type { WebAnswer } from '@/core/probe/web-answer';
import type { WebAsker } from './web-asker';

export interface Question {
  readonly url: string;
  /** Is it an address by which a meeting is joined? */
  readonly isMeeting: boolean;
}

/** Asks all addresses, as many at a time as each host takes; `onAnswer` gets each answer as it comes. */
export async function askAll(
  asker: Pick<WebAsker, 'ask'>,
  questions: readonly Question[],
  onAnswer: (answer: WebAnswer) => Promise<void> | void,
): Promise<void> {
  await Promise.all(
    questions.map(async ({ url, isMeeting }) => onAnswer(await askOne(asker, { url, isMeeting }))),
  );
}

/** One address whose answer is like no other must not end the probe of all. */
async function askOne(asker: Pick<WebAsker, 'ask'>, { url, isMeeting }: Question): Promise<WebAnswer> {
  try {
    return await asker.ask(url, isMeeting);
  } catch {
    const end = { is: 'broken', why: 'its answer could not be read' } as const;
    return judgeAnswer({ url, hops: [], end, isMeeting }, new Date().toISOString());
  }
}
