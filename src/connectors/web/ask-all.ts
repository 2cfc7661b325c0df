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
  await Promise.all(questions.map(async ({ url, isMeeting }) => onAnswer(await asker.ask(url, isMeeting))));
}
