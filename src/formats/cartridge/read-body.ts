import { clipTitle } from '@/core/text/clip';
import type { ContentKind, Question } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';
import { attribute, childNamed, numberIn, parseXml, textOf, type XmlElement } from '../xml/parse-xml';
import { bodySpans, type BodySpan } from './body-spans';
import { readQuestions } from './read-questions';

/** What the file of a page or activity says. */
export interface Body {
  readonly texts: readonly string[];
  readonly title: string;
  readonly target: string | null;
  readonly points: number | null;
  readonly answerKey: string;
  readonly questions: readonly Question[];
  readonly bankIdent: string | null;
  readonly bankRefs: readonly string[];
}

const blank: Body = {
  texts: [],
  title: '',
  target: null,
  points: null,
  answerKey: '',
  questions: [],
  bankIdent: null,
  bankRefs: [],
};

/** A title is at the beginning of a page. */
const headLength = 65_536;

/** What the first title element of a page holds, as it is written; empty where it has none or does not end. */
function titleElementOf(text: string): string {
  const head = text.slice(0, headLength);
  const open = /<title[^<>]*>/i.exec(head);
  if (!open) return '';
  const begin = open.index + open[0].length;
  const end = head.toLowerCase().indexOf('</title>', begin);
  return end < 0 ? '' : head.slice(begin, end);
}

/** Reads the file of a page (HTML), web link, tool link, topic, assignment, quiz or bank. Trouble says what is wrong with the file. */
export function readBody(kind: ContentKind, text: string): Result<Body> {
  if (kind === 'page') {
    return good({ ...blank, texts: [text], title: clipTitle(unescapeTitle(titleElementOf(text))) });
  }
  const parsed = parseXml(text);
  if (!parsed.ok) return parsed;
  return readBodyElement(kind, parsed.value, bodySpans(text, kind) ?? []);
}

/** As `readBody`, for what is parsed already: a thin cartridge keeps its links inside the manifest itself. */
export function readBodyElement(
  kind: ContentKind,
  root: XmlElement,
  spans: readonly BodySpan[] = [],
): Result<Body> {
  const texts = spans.map((s) => s.text);
  switch (kind) {
    case 'web-link': {
      const url = childNamed(root, 'url');
      const target = url ? attribute(url, 'href') : null;
      return target
        ? good({ ...blank, title: line(childNamed(root, 'title')), target })
        : bad('no-address', 'names no address');
    }
    case 'tool-link': {
      const launch = childNamed(root, 'secure_launch_url') ?? childNamed(root, 'launch_url');
      return good({
        ...blank,
        title: line(childNamed(root, 'title')),
        target: textOf(launch).trim() || null,
      });
    }
    case 'discussion':
      return good({ ...blank, texts, title: line(childNamed(root, 'title')) });
    case 'assignment': {
      const gradable = childNamed(root, 'gradable');
      return good({
        ...blank,
        texts,
        title: line(childNamed(root, 'title')),
        points: numberIn(gradable && attribute(gradable, 'points_possible')),
      });
    }
    case 'quiz':
    case 'bank':
      return good({ ...blank, texts, ...readQuestions(root, spans) });
    case 'page':
    case 'file':
    case 'other':
      return good(blank);
  }
}

const line = (element: XmlElement | undefined): string =>
  clipTitle(textOf(element).replace(/\s+/g, ' ').trim());
const unescapeTitle = (title: string): string =>
  title
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&quot;/g, '"')
    .replace(/&#39;/g, "'")
    .replace(/&amp;/g, '&')
    .replace(/\s+/g, ' ')
    .trim();
