import type { WebAnswer } from '@/core/probe/web-answer';

/** So many answers are written down together at most, and so long one waits for others, in milliseconds. */
const answersTogether = 40;
const longestWait = 1_000;
/** Where so many hosts are not to be found and nothing else answered, it is this computer that is not connected. */
const hostsThatTell = 3;

/**
 * Has answers written down on the way, so that a probe that is cut off goes on from there. That a host does not exist is
 * believed only when some other host answered: without a connection no host does.
 */
export class AnswerBook {
  private waiting: WebAnswer[] = [];
  private doubtful: WebAnswer[] = [];
  private isConnected = false;
  private last = performance.now();

  constructor(private readonly write: (answers: readonly WebAnswer[]) => Promise<unknown>) {}

  async take(answer: WebAnswer): Promise<void> {
    if (answer.status !== null || answer.state === 'bad-certificate') this.isConnected = true;
    const isDoubtful = answer.state === 'no-host' || (answer.state === 'fault' && answer.status === null);
    (isDoubtful ? this.doubtful : this.waiting).push(answer);
    const isTime = performance.now() - this.last > longestWait;
    if (this.waiting.length >= answersTogether || isTime) await this.writeWaiting();
  }

  /** Writes down what is left. False where this computer seems not to be connected: then nothing doubtful is written. */
  async close(): Promise<boolean> {
    const hosts = new Set(this.doubtful.map(({ url }) => new URL(url).host));
    const isOffline = !this.isConnected && hosts.size >= hostsThatTell;
    if (!isOffline) this.isConnected = true;
    await this.writeWaiting();
    return !isOffline;
  }

  private async writeWaiting(): Promise<void> {
    const answers = this.isConnected ? [...this.waiting, ...this.doubtful] : this.waiting;
    this.waiting = [];
    if (this.isConnected) this.doubtful = [];
    this.last = performance.now();
    if (answers.length) await this.write(answers);
  }
}
