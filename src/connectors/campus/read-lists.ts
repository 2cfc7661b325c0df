import { readAs, sayMisfit } from '@/core/schema/read-as';
import PQueue from 'p-queue';
import { listNames, type ListName } from '@/core/edits/edit';
import { mostThings } from '@/core/shell/soundness';
import { bad, good, type Result } from '@/core/shell/result';
import { collectionOf } from './collections';
import type { HostClient } from './host-client';
import { cutQuote } from '@/core/text/clip';
import { hostLimits } from './host-limits';
import { fieldSchemas, pageSchema, type WireRecord } from './wire';

/** Requests at one time while lists are read. */
const lanes = 4;

interface KnownPage {
  readonly etag: string;
  readonly pages: number;
  readonly revision: string;
  readonly records: readonly WireRecord[];
}

/** A list as one reading found it, all of its pages of one revision. */
interface KnownList {
  readonly revision: string;
  readonly records: readonly WireRecord[];
}

export type Lists = Readonly<Record<ListName, readonly WireRecord[]>>;
export type ListProgress = (done: number, total: number) => void;

/**
 * Reads all lists of a shell, page by page. A list whose first page has the revision that the last reading found on all
 * of them is not read again, and a page that was read before is asked for by its ETag (RFC 9110, 13.1.2), so that a second
 * reading of the same costs little. The answer tells whether anything was another than the last time.
 */
export class ListReader {
  private readonly pages = new Map<string, KnownPage>();
  private readonly known = new Map<ListName, KnownList>();
  private isChanged = false;
  /** Bytes of all pages of this reading. */
  private bytes = 0;

  constructor(
    private readonly client: HostClient,
    private readonly shell: string,
  ) {}

  async read(onProgress: ListProgress): Promise<Result<{ lists: Lists; isChanged: boolean }>> {
    this.isChanged = false;
    this.bytes = 0;
    const queue = new PQueue({ concurrency: lanes });
    const until = performance.now() + hostLimits.readingTime;
    let trouble: Result<never> | null = null;
    const counts = { done: 0, total: listNames.length };
    const one = (list: ListName, page: number) =>
      queue.add(async () => {
        // After the first trouble nothing more is asked for.
        if (trouble !== null) return trouble;
        const read = performance.now() > until ? tooSlow : await this.readPage(list, page);
        if (!read.ok) trouble ??= read;
        counts.done += 1;
        onProgress(counts.done, counts.total);
        return read;
      });
    const lists: Partial<Record<ListName, readonly WireRecord[]>> = {};
    const readings = await Promise.all(
      listNames.map(async (list): Promise<Result<null>> => {
        const first = await one(list, 1);
        if (!first.ok) return first;
        const before = this.known.get(list);
        if (before?.revision === first.value.revision) {
          lists[list] = before.records;
          return good(null);
        }
        counts.total += first.value.pages - 1;
        const rest = Array.from({ length: first.value.pages - 1 }, (_, n) => one(list, n + 2));
        const read = this.join(list, [first, ...(await Promise.all(rest))]);
        if (!read.ok) return read;
        lists[list] = read.value;
        return good(null);
      }),
    );
    const failed = readings.find((reading) => !reading.ok);
    if (failed && !failed.ok) return failed;
    return good({ lists: lists as Lists, isChanged: this.isChanged });
  }

  /** The records of a list’s pages; the list is known where all of them are of one revision. */
  private join(list: ListName, pages: readonly Result<KnownPage>[]): Result<readonly WireRecord[]> {
    const records: WireRecord[] = [];
    const revisions = new Set<string>();
    for (const page of pages) {
      if (!page.ok) return page;
      revisions.add(page.value.revision);
      for (const record of page.value.records) records.push(record);
      if (records.length > mostThings) return tooManyIn(list);
    }
    // A record that moves while its list is read stands on two pages of different revisions.
    const double = revisions.size === 1 ? doubleIn(records) : null;
    if (double !== null)
      return bad(
        'unsound',
        `The host’s list of ${list} has two records with the id “${cutQuote(double)}”. Correct it there, then read it again.`,
      );
    this.isChanged = true;
    const [revision] = revisions;
    if (revisions.size === 1 && revision !== undefined) this.known.set(list, { revision, records });
    else this.known.delete(list);
    return good(records);
  }

  /** One page, by its number from 1 on. */
  private async readPage(list: ListName, page: number): Promise<Result<KnownPage>> {
    const path = `/shells/${this.shell}/${collectionOf[list]}?page=${page}`;
    const known = this.pages.get(path);
    const headers: Record<string, string> = known ? { 'if-none-match': known.etag } : {};
    const answer = await this.client.ask({ method: 'GET', path, headers });
    if (!answer.ok) return answer;
    if (answer.value.status === 304 && known) return good(known);
    this.bytes += answer.value.body.length;
    if (this.bytes > hostLimits.readingBytes)
      return bad(
        'too-large',
        'The lists of this shell are longer than 1 GB, so they were not read. Ask whoever runs the host.',
      );
    const read = readPage(list, answer.value);
    if (!read.ok) return read;
    this.pages.set(path, read.value);
    return read;
  }
}

const tooSlow = bad(
  'too-large',
  'The host took more than an hour to send this shell, so the reading was ended. Try again when it is less busy.',
);
/** An id that two records of a list have; null where each has its own. */
function doubleIn(records: readonly WireRecord[]): string | null {
  const seen = new Set<string>();
  for (const { id } of records) {
    if (seen.has(id)) return id;
    seen.add(id);
  }
  return null;
}

const tooManyIn = (list: ListName) =>
  bad(
    'too-large',
    `The host’s list of ${list} has more than ${mostThings.toLocaleString('en')} records, so it was not read. Ask whoever runs it.`,
  );

function readPage(
  list: ListName,
  { status, etag, body }: { readonly status: number; readonly etag: string | null; readonly body: Buffer },
): Result<KnownPage> {
  if (status === 404) return bad('not-there', 'The shell is not on the host any more.');
  const page = pageSchema.safeParse(parseJson(body));
  if (!page.success) return bad('not-understood', `The host’s list of ${list} is not as its API says.`);
  const { pages, revision, records } = page.data;
  if (pages > hostLimits.pages)
    return bad(
      'too-large',
      `The host’s list of ${list} has ${pages.toLocaleString('en')} pages, and at most ${hostLimits.pages.toLocaleString('en')} are read. Ask whoever runs it.`,
    );
  for (const { id, fields } of records) {
    const parsed = readAs(fieldSchemas[collectionOf[list]], fields);
    if (parsed.ok) continue;
    const where = cutQuote(`${id}, ${sayMisfit(parsed.misfit)}`);
    return bad('not-understood', `What the host says of its ${list} is not as its API says (${where}).`);
  }
  return good({ etag: etag ?? '', pages, revision, records });
}

function parseJson(body: Buffer): unknown {
  try {
    return JSON.parse(body.toString('utf8'));
  } catch {
    return null;
  }
}
