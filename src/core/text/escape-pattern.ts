/** A text made fit to stand in a regular expression for itself. */
export const escapePattern = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
