/** How long a job may say nothing, and how often that is looked at, in milliseconds. */
const longestSilence = 30 * 60_000;
const lookedAt = 60_000;

/** Notices jobs that have said nothing for longer than any step of a job takes. */
export class SilenceWatch {
  /** When each job was last heard of, by performance.now(). */
  private readonly heard = new Map<string, number>();
  private readonly timer: NodeJS.Timeout;

  constructor(onSilent: (id: string) => void) {
    this.timer = setInterval(() => {
      for (const id of this.silent()) onSilent(id);
    }, lookedAt).unref();
  }

  hear(id: string): void {
    this.heard.set(id, performance.now());
  }
  forget(id: string): void {
    this.heard.delete(id);
  }
  close(): void {
    clearInterval(this.timer);
  }

  private silent(): readonly string[] {
    const now = performance.now();
    return [...this.heard].filter(([, at]) => now - at >= longestSilence).map(([id]) => id);
  }
}
