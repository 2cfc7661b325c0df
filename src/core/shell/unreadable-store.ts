/**
 * What was kept of a shell can't be opened: it is missing, damaged, or of a later version. The message is one
 * sentence for the person: what it is, and what to do.
 */
export class UnreadableStore extends Error {}

/** Something kept is missing or is not what it was. `what` names it: “the outline of this shell”. */
export const lost = (what: string): UnreadableStore =>
  new UnreadableStore(
    `${what} is missing from Currycomb’s folder, or is damaged; bring the package in again, or put the folder back from a copy.`,
  );
