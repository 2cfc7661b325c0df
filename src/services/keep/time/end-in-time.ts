/** How long what is being answered may still take when the server is told to end, in milliseconds. */
const grace = 2_000;

/**
 * Ends the process a moment after it was told to. The server itself waits for every open connection, and a browser
 * holds some for minutes; whatever is cut off goes on at the next start, as after a power cut.
 */
export function endInTime(): void {
  const end = () => setTimeout(() => process.exit(0), grace).unref();
  process.once('SIGTERM', end);
  process.once('SIGINT', end);
}
