/** Titles and headings of a page that answers and says itself that nothing is there; common practice, no source. */
const saysGone =
  /\b(page|file|document|resource|site|article|video|course)\b[^.]{0,40}\b(not found|can(?:no|['’])t be found|could(?: not|n['’]t) be found|no longer (?:exists?|available)|has been removed|does(?: not|n['’]t) exist)\b|^\W*(?:error\W*)?404\b|\bnot found\b\W*$/i;

/** A meeting’s page that says that it is over; common practice, no source. */
const saysEnded =
  /\b(meeting|session|webinar|call|event|room)\b[^.]{0,60}\b(has ended|is over|was ended|has expired|no longer (?:exists?|available|valid)|has been (?:deleted|cancel+ed))\b/i;

export interface PageRead {
  /** The titles and headings of the page, plain. */
  readonly headings: readonly string[];
  /** What a reader sees of it, plain; only its beginning is looked at. */
  readonly text: string;
}

/** The sentence in which a page says that nothing is there; null where it says no such thing. */
export const goneSentence = ({ headings }: PageRead): string | null =>
  headings.find((heading) => saysGone.test(heading)) ?? null;

/** The words in which a page says that its meeting has ended; null where it says no such thing. */
export function endedSentence({ headings, text }: PageRead): string | null {
  const said = [...headings, text.slice(0, 4_000)].map((part) => saysEnded.exec(part)?.[0]);
  return said.find((words) => words !== undefined) ?? null;
}
