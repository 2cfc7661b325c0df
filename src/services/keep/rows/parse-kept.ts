import { lost } from '@/core/shell/unreadable-store';

/** Reads JSON of a row; `what` names it where it is damaged. */
export function parseKept<T>(text: string, what: string): T {
  try {
    return JSON.parse(text) as T;
  } catch {
    throw lost(what);
  }
}
