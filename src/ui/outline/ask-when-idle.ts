/**
 * Asks for something anew, but only once nothing that was done is still under way: an answer in between would show what
 * has just been taken back, or hide what has just been done.
 */
export class AskWhenIdle<Answer> {
  private underWay = 0;
  private isWanted = false;

  /** `ask` answers null where it could not; what was shown then stays. */
  constructor(
    private readonly ask: () => Promise<Answer | null>,
    private readonly show: (answer: Answer) => void,
  ) {}

  /** Asks as soon as nothing is under way. */
  wish(): void {
    this.isWanted = true;
  }

  /** Counts work as under way until it ends, however it ends. */
  async during<Result>(work: Promise<Result>): Promise<Result> {
    this.underWay += 1;
    try {
      return await work;
    } finally {
      this.underWay -= 1;
      void this.askIfIdle();
    }
  }

  private async askIfIdle(): Promise<void> {
    if (this.underWay > 0 || !this.isWanted) return;
    this.isWanted = false;
    const answer = await this.ask();
    if (answer === null) return;
    // Whatever began meanwhile is not in this answer, or only half: it is asked for again after that has ended.
    if (this.underWay > 0) this.isWanted = true;
    else this.show(answer);
  }
}
