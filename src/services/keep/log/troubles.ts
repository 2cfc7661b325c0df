import type { Fault } from './fault';
import { log } from './log';

/** Something that went wrong in Currycomb or in its folder, as it is shown to whoever runs it. */
export interface Trouble {
  /** When, as an ISO instant. */
  readonly at: string;
  /** What was asked: a method and an address, or the kind of a job. */
  readonly during: string;
  /** The id of the request or of the job, as it stands in the log. */
  readonly id: string;
  /** What the person was told; null where it may quote a shell. */
  readonly sentence: string | null;
  readonly fault: Fault | null;
}

/** So many are remembered. They are in memory alone: a full disk takes none of them away. */
const mostRemembered = 100;

const holder = globalThis as typeof globalThis & { currycombTroubles?: Trouble[] };
const remembered = (): Trouble[] => (holder.currycombTroubles ??= []);

/** Writes a trouble to the log and remembers it for the page that shows the last ones. */
export function noteTrouble(trouble: Omit<Trouble, 'at'>): void {
  const { during, id, sentence, fault } = trouble;
  log.error({ during, id, sentence, fault }, 'trouble');
  const list = remembered();
  list.unshift({ ...trouble, at: new Date().toISOString() });
  list.splice(mostRemembered);
}

/** The last troubles since the server was started, newest first. */
export const lastTroubles = (): readonly Trouble[] => [...remembered()];
