/** Says how far long work is: so much of so much, and what it is doing now. */
export type SayProgress = (done: number, total: number, doing: string) => void;

export interface ProgressLine {
  readonly say: SayProgress;
  /** Takes the line away, so that what is printed stands alone. */
  readonly end: () => void;
}

/** What progress is shown on: a terminal, or not one. */
export type ProgressStream = NodeJS.WritableStream & { readonly isTTY?: boolean };

/** What takes less than this many milliseconds needs no line. */
const quietFor = 500;
const silent: ProgressLine = { say: () => undefined, end: () => undefined };

/** A line of progress on standard error where a person sits there; elsewhere nothing is said. */
export async function openProgress(stream: ProgressStream = process.stderr): Promise<ProgressLine> {
  if (stream.isTTY !== true) return silent;
  // Loaded only where somebody sees it.
  const { SingleBar } = (await import('cli-progress')).default;
  const bar = new SingleBar({
    stream,
    format: '{doing} [{bar}] {percentage} %',
    barCompleteChar: '=',
    barIncompleteChar: ' ',
    barsize: 30,
    clearOnComplete: true,
    // A terminal whose cursor or line wrap was switched off stays so when Ctrl C ends the program.
    hideCursor: null,
    linewrap: true,
  });
  const begun = performance.now();
  const showProgress: SayProgress = (done, total, doing) => {
    if (bar.isActive) {
      bar.setTotal(total);
      bar.update(done, { doing });
    } else if (performance.now() - begun >= quietFor) bar.start(total, done, { doing });
  };
  return { say: showProgress, end: () => bar.stop() };
}
