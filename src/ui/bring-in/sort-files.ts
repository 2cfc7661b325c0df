/** The places of the bring-in form. */
export type Slot = 'package' | 'events' | 'previousEvents' | 'status' | 'roster' | 'baseline';

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
    if (taken) strangers.push(names[index]!);
    else placed.push({ slot, index });
  };
  names.forEach((name, index) => {
    if (/roster|grades/i.test(name) && /\.zip$/i.test(name)) put('roster', index);
    else if (/baseline|template/i.test(name) && /\.(imscc|zip)$/i.test(name)) put('baseline', index);
    else if (/\.(imscc|zip)$/i.test(name)) put('package', index);
    else if (/\.ics$/i.test(name))
      put(/prev|last|old|before/i.test(name) ? 'previousEvents' : 'events', index);
    else if (/\.csv$/i.test(name)) put('status', index);
    else strangers.push(name);
  });
  const trouble = strangers.length
    ? `${strangers.map((n) => `“${n}”`).join(', ')} found no place: one package (.imscc, .zip), two calendars (.ics), one status sheet (.csv), one roster and one baseline (named so) are taken.`
    : null;
  return { placed, trouble };
}
