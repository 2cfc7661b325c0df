import { append } from '@/core/collect';
import type { HostClient, Pace } from '@/connectors/campus/host-client';
import { cutQuote } from '@/core/text/clip';
import { shellPageSchema, type ShellCard } from '@/connectors/campus/wire';
import { bad, good, type Result } from '@/core/shell/result';

/** A person waits for these: fewer tries and shorter waits than a run has. */
export const impatient: Pace = {
  tries: 5,
  firstWait: 60,
  longestWait: 600,
  timeout: 8_000,
  budget: 9_000,
  patience: 3_000,
};

/** Nobody has more shells than this; a host that lists more is not believed. */
export const mostShells = 5_000;

/** The shells that the signed-in person has at a host. Trouble `too-large` where the host lists too many. */
export async function readShellCards(client: HostClient): Promise<Result<readonly ShellCard[]>> {
  const cards: ShellCard[] = [];
  for (let page = 1, pages = 1; page <= pages; page += 1) {
    const read = await client.get(`/shells?page=${page}`, shellPageSchema);
    if (!read.ok) return read;
    pages = read.value.pages;
    append(cards, read.value.shells.map(shortened));
    const isEmptyPage = read.value.shells.length === 0 && page < pages;
    if (isEmptyPage || pages > mostShells || cards.length > mostShells)
      return bad(
        'too-large',
        `The host lists more than ${mostShells.toLocaleString('en')} shells, or pages with none. Ask whoever runs it.`,
      );
  }
  return good(cards);
}

/** Names as a list shows them; an id is asked for again, so it stays whole. */
const shortened = ({ code, title, term, role, ...card }: ShellCard): ShellCard => ({
  ...card,
  code: cutQuote(code),
  title: cutQuote(title),
  term: cutQuote(term),
  role: cutQuote(role),
});
