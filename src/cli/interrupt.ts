/** What a shell takes for the end by a signal: 128 and the signal's number (common practice; POSIX `kill`). */
const exitCodes = { SIGINT: 130, SIGTERM: 143 } as const;

/**
 * From now on Ctrl C first takes away what lies half done, then ends the program. Before it is called a signal ends
 * the program at once, also in the middle of a long calculation.
 */
export function clearOnInterrupt(clear: () => void): void {
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.once(signal, () => {
      clear();
      process.exit(exitCodes[signal]);
    });
}
