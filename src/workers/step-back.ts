import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { basename } from 'node:path';

/** How far a thread that works steps back behind those that answer somebody: nice values go from 0 to 19. */
const politeness = 5;

/**
 * Lets the thread that calls it have what others leave of the processors, so that nobody who only looks waits for work.
 * Where the system does not name its threads (Linux does, proc(5), thread-self), all go on as equals.
 */
export function stepBack(): void {
  try {
    setPriority(Number(basename(readlinkSync('/proc/thread-self'))), politeness);
  } catch {
    // It is no fault: the work is only done with less regard for others.
  }
}
