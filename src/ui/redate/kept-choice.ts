import { z } from 'zod';

const nameOf = (shellId: string): string => `currycomb.re-date.${shellId}`;
const refsSchema = z.array(z.string());

/** Keeps what was chosen for the page that it is taken along to: an address can't hold a thousand refs. */
export function keepChosen(shellId: string, refs: readonly string[]): void {
  sessionStorage.setItem(nameOf(shellId), JSON.stringify(refs));
}

/** What was taken along, as it was written; null where nothing was. */
export const writtenChoice = (shellId: string): string | null => sessionStorage.getItem(nameOf(shellId));

/** The refs of a written choice; null for what can't be read. */
export function readChoice(written: string | null): readonly string[] | null {
  if (written === null) return null;
  try {
    return refsSchema.parse(JSON.parse(written));
  } catch {
    return null;
  }
}
