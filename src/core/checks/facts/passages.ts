import { elementAt } from '@/core/sure';
import { scansOfContent, type ContentText } from '@/core/links/scans';
import type { Content, Item, Shell, ShellFile } from '@/core/shell/model';
import { compatible } from '@/core/text/compatible';
import { english } from '@/core/text/english';
import { mostMentions, type Mentions } from '@/core/text/mentions';
import { namedDates, type NamedDate } from '@/core/text/named-dates';
import { namedTerms, type NamedTerm } from '@/core/text/named-terms';
import { nameWords } from '@/core/text/name-words';
import type { TextMark } from '@/core/text/scan-html';
import { sentenceAround } from '@/core/text/sentence';
import { joinStretches, liesWithin, type Stretch } from '@/core/text/stretches';
import type { SubjectRef } from '@/core/checks/finding/finding';

/** Something that the shell says to a reader: a title, a body's text, a picture's alternative text, a file's name. */
export interface Passage {
  readonly subject: SubjectRef;
  readonly item: Item | null;
  readonly file: ShellFile | null;
  readonly where: 'title' | 'text' | 'alt' | 'file-name';
  readonly text: string;
  readonly marks: readonly TextMark[];
  /** What was found in it when the body was read; null for what is short enough to be read now. */
  readonly mentions: Mentions | null;
}

/** What is short enough to be read whenever it is asked for. */
class ShortPassage implements Passage {
  readonly marks: readonly TextMark[] = [];
  readonly mentions = null;
  readonly text: string;

  constructor(
    readonly subject: SubjectRef,
    readonly item: Item | null,
    readonly file: ShellFile | null,
    readonly where: Passage['where'],
    text: string,
  ) {
    this.text = compatible(text);
  }
}

/** A body's text: its words are fetched only where somebody wants to see them. */
class BodyPassage implements Passage {
  readonly file = null;
  readonly where = 'text';

  constructor(
    readonly subject: SubjectRef,
    readonly item: Item,
    private readonly scan: ContentText,
  ) {}

  get text(): string {
    return this.scan.text;
  }
  get marks() {
    return this.scan.marks;
  }
  get mentions() {
    return this.scan.mentions;
  }
}
export const passageLabels: Readonly<Record<Passage['where'], string>> = {
  title: 'In the title',
  text: 'In the text',
  alt: 'In a picture’s alternative text',
  'file-name': 'In the file’s name',
};

/** All passages of a shell: each content's text once, at the first place that shows it. */
export function passagesOf(shell: Shell): Passage[] {
  const passages: Passage[] = [];
  const contents = new Map(shell.contents.map((c) => [c.id, c]));
  const said = new Set<string>();
  for (const item of shell.items) {
    const subject: SubjectRef = { type: 'item', ref: item.ref };
    passages.push(new ShortPassage(subject, item, null, 'title', item.title));
    const content = item.content === null ? undefined : contents.get(item.content);
    if (!content || said.has(content.id)) continue;
    said.add(content.id);
    for (const scan of scansOfContent(content)) {
      if (!scan.blank) passages.push(new BodyPassage(subject, item, scan));
      for (const alt of scan.alts) passages.push(new ShortPassage(subject, item, null, 'alt', alt));
    }
    const path = ownPath(content);
    if (path) passages.push(new ShortPassage(subject, item, null, 'file-name', nameWords(path)));
  }
  for (const file of shell.files)
    if (!/^(text\/css|font\/|application\/(javascript|font))|javascript/.test(file.mediaType))
      passages.push(
        new ShortPassage({ type: 'file', ref: file.path }, null, file, 'file-name', nameWords(file.path)),
      );
  return passages;
}

const ownPath = (content: Content): string | null => (content.kind === 'page' ? content.href : null);

export interface Mention<T> {
  readonly passage: Passage;
  readonly says: T;
}

export const datesIn = (passages: readonly Passage[]): Mention<NamedDate>[] =>
  passages.flatMap((passage) =>
    passage.where === 'file-name'
      ? []
      : (passage.mentions?.dates ?? namedDates(passage.text, english).slice(0, mostMentions)).map((says) => ({
          passage,
          says,
        })),
  );

const termsOfShort = ({ text, where }: Passage): NamedTerm[] =>
  namedTerms(text, english, where === 'title' || where === 'file-name').slice(0, mostMentions);

export const termsIn = (passages: readonly Passage[]): Mention<NamedTerm>[] =>
  passages.flatMap((passage) =>
    (passage.mentions?.terms ?? termsOfShort(passage)).map((says) => ({ passage, says })),
  );

interface Apart {
  readonly code: readonly Stretch[];
  /** Code, quotations, and what stands below a heading such as “References”. */
  readonly quoted: readonly Stretch[];
}
const apart = new WeakMap<Passage, Apart>();

function apartOf(passage: Passage): Apart {
  const known = apart.get(passage);
  if (known) return known;
  const code = passage.marks.filter((m) => m.is === 'code');
  const joined = {
    code: joinStretches(code),
    quoted: joinStretches([
      ...code,
      ...passage.marks.filter((m) => m.is === 'cite'),
      ...referencesOf(passage),
    ]),
  };
  apart.set(passage, joined);
  return joined;
}

/** The stretches of a text below a heading such as “References”, up to the next heading. */
function referencesOf(passage: Passage): Stretch[] {
  if (passage.where !== 'text') return [];
  const heads = passage.marks.filter((m) => m.is === 'heading').sort((a, b) => a.start - b.start);
  const parts: Stretch[] = [];
  let at = 0;
  let head = 0;
  for (const line of passage.text.split('\n')) {
    const end = at + line.length;
    if (line.length < 40 && english.referenceHeading.test(line)) {
      while (head < heads.length && elementAt(heads, head).start <= end) head += 1;
      parts.push({ start: at, end: heads[head]?.start ?? passage.text.length });
    }
    at = end + 1;
  }
  return parts;
}

export const standsInCode = (passage: Passage, start: number, end: number): boolean =>
  liesWithin(apartOf(passage).code, start, end);

/** Does a place stand in something quoted, in code, in a list of cited works, or in a line of copyright? */
export function standsQuoted(passage: Passage, start: number, end: number): boolean {
  if (liesWithin(apartOf(passage).quoted, start, end)) return true;
  const { text } = sentenceAround(passage.text, start, end);
  const before = passage.text.slice(Math.max(0, start - 300), start);
  const line = before.slice(before.lastIndexOf('\n') + 1) + passage.text.slice(start, end + 200);
  return english.referenceLine.test(line) || english.citation.test(text) || english.copyright.test(text);
}

/** Does a named term or year stand with words of history or data: since 2019, the flood of spring 2013? */
export const standsInHistory = (passage: Passage, start: number, end: number): boolean =>
  english.historyBefore.test(passage.text.slice(Math.max(0, start - 40), start)) ||
  english.historyAfter.test(passage.text.slice(end, end + 24));

/** The sentence around a mention, cut at a word where it is long, for evidence. */
export const sentenceOf = (passage: Passage, start: number, end: number): string =>
  sentenceAround(passage.text, start, end).text.trim();
