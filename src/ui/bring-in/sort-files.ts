import { elementAt } from '@/core/sure';
import { likelySideFile, type SideFile } from '@/core/many-shells/side-files';

/** The places of the bring-in form. */
export type Slot = 'package' | SideFile;

export interface SortedFiles {
  readonly placed: readonly { readonly slot: Slot; readonly index: number }[];
  readonly trouble: string | null;
}

/** Puts dropped files in their places by name: of two calendars, the one that says so is last term's; of several packages, the baseline says so. */
export function sortFiles(names: readonly string[]): SortedFiles {
  const placed: { slot: Slot; index: number }[] = [];
  const strangers: string[] = [];
  const put = (slot: Slot, index: number) => {
    const taken = placed.some((p) => p.slot === slot);
    if (taken) strangers.push(elementAt(names, index));
    else placed.push({ slot, index });
  };
  names.forEach((name, index) => {
    const slot = slotOf(name);
    if (slot === null) strangers.push(name);
    else put(slot, index);
  });
  const trouble = strangers.length
    ? `${strangers.map((n) => `“${n}”`).join(', ')} found no place: one package (.imscc, .zip), two calendars (.ics), one status sheet (.csv), one roster and one baseline (named so) are taken.`
    : null;
  return { placed, trouble };
}

/** The place that a name says; null for what has none. */
function slotOf(name: string): Slot | null {
  const side = likelySideFile(name);
  if (side !== null) return side;
  return /\.(imscc|zip)$/i.test(name) ? 'package' : null;
}
