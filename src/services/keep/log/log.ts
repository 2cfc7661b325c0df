import pino from 'pino';

/** What is written to the log: everything from this level up. */
export const logLevels = ['debug', 'info', 'warn', 'error', 'silent'] as const;
export type LogLevel = (typeof logLevels)[number];

const wished = process.env['CURRYCOMB_LOG_LEVEL'];
const level: LogLevel = logLevels.find((known) => known === wished) ?? 'warn';

/**
 * The log of the process: one JSON object a line on standard error. What goes in names requests and jobs by their ids;
 * titles, texts, people and secrets stay out.
 */
export const log = pino(
  { level, base: null, timestamp: pino.stdTimeFunctions.isoTime },
  pino.destination({ dest: 2, sync: true }),
);
