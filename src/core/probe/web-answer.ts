import { z } from 'zod';

/**
 * What became of asking an outside address. Only the first three are dead; what needs a sign-in, is slow, busy or has a
 * fault is told apart and never called so.
 */
export const webStates = [
  /** 404 or 410. */
  'gone',
  /** No such host. */
  'no-host',
  /** The certificate of the host is refused. */
  'bad-certificate',
  /** The page answers, and says that the meeting is over. */
  'ended',
  /** The page answers, and says itself that nothing is there; or the start page comes instead. */
  'says-gone',
  /** Moved for good, to an address that answers. */
  'moved',
  'sign-in',
  /** Redirects that lead in a circle, or too many. */
  'loop',
  'busy',
  'slow',
  'fault',
  /** In somebody’s own network, so that it was not asked. */
  'private',
  'answers',
] as const;
export type WebState = (typeof webStates)[number];

/** How the states are called in lists. */
export const webStateTitles: Readonly<Record<WebState, string>> = {
  gone: 'Gone',
  'no-host': 'No such host',
  'bad-certificate': 'Certificate refused',
  ended: 'Meeting has ended',
  'says-gone': 'Says that nothing is there',
  moved: 'Moved for good',
  'sign-in': 'Needs a sign-in',
  loop: 'Leads in a circle',
  busy: 'Too busy to answer',
  slow: 'Slow',
  fault: 'Fault at the other end',
  private: 'In a private network',
  answers: 'Answers',
};

/** States that the next hour may change: they are asked again with the next probe, however new. */
const passingStates: ReadonlySet<WebState> = new Set(['busy', 'slow', 'fault']);
export const isPassing = (state: WebState): boolean => passingStates.has(state);
const deadStates: ReadonlySet<WebState> = new Set(['gone', 'no-host', 'bad-certificate']);
export const isDead = (state: WebState): boolean => deadStates.has(state);

/** What one address answered, and when. */
export const webAnswerSchema = z.strictObject({
  /** As it was asked: without a fragment, as the URL standard writes it. */
  url: z.string(),
  state: z.enum(webStates),
  /** The status of the last answer (RFC 9110, 15); null where none came. */
  status: z.int().nullable(),
  /** Where it leads by redirects for good; null unless it moved. */
  movedTo: z.string().nullable(),
  /** The addresses on the way, in order. */
  hops: z.array(z.string()),
  /** In words, what was seen. */
  says: z.string(),
  /** When it was asked, as an instant in UTC. */
  askedAt: z.string(),
});
export type WebAnswer = z.infer<typeof webAnswerSchema>;
/** The answers that are known for a shell. */
export const webAnswersSchema = z.array(webAnswerSchema);

/** So long an answer counts, in days, unless it is a passing one. */
export const answerCounts = 14;
const day = 24 * 3_600_000;

/** Is it time to ask again? `now` in milliseconds since 1970. */
export const isOld = ({ state, askedAt }: Pick<WebAnswer, 'state' | 'askedAt'>, now: number): boolean =>
  isPassing(state) || now - Date.parse(askedAt) > answerCounts * day;
