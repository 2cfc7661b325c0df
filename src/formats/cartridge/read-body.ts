import type { ContentKind } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';
import { attribute, childNamed, descendantsNamed, parseXml, textOf, type XmlElement } from '../xml/parse-xml';
import { bodySpans } from './body-spans';

/** What the file of a page or activity says. */
export interface Body {
  readonly texts: readonly string[];
  readonly title: string;
  readonly target: string | null;
  readonly points: number | null;
  readonly answerKey: string;
  readonly bankIdent: string | null;
  readonly bankRefs: readonly string[];
}

const blank: Body = { texts: [], title: '', target: null, points: null, answerKey: '', bankIdent: null, bankRefs: [] };

/** Reads the file of a page (HTML), web link, tool link, topic, assignment, quiz or bank. Trouble says what is wrong with the file. */
export function readBody(kind: ContentKind, text: string): Result<Body> {
  if (kind === 'page') {
    const title = /<title[^>]*>([\s\S]*?)<\/title>/i.exec(text.slice(0, 65_536))?.[1] ?? '';
    return good({ ...blank, texts: [text], title: unescapeTitle(title) });
  }
  const parsed = parseXml(text);
  if (!parsed.ok) return parsed;
  const root = parsed.value;
  const spans = bodySpans(text, kind) ?? [];
  const texts = spans.map((s) => s.text);
  switch (kind) {
    case 'web-link': {
      const url = childNamed(root, 'url');
      const target = url ? attribute(url, 'href') : null;
      return target ? good({ ...blank, title: line(childNamed(root, 'title')), target }) : bad('no-address', 'names no address');
    }
    case 'tool-link': {
      const launch = childNamed(root, 'secure_launch_url') ?? childNamed(root, 'launch_url');
      return good({ ...blank, title: line(childNamed(root, 'title')), target: textOf(launch).trim() || null });
    }
    case 'discussion':
      return good({ ...blank, texts, title: line(childNamed(root, 'title')) });
    case 'assignment': {
      const gradable = childNamed(root, 'gradable');
      return good({ ...blank, texts, title: line(childNamed(root, 'title')), points: number(gradable && attribute(gradable, 'points_possible')) });
    }
    case 'quiz':
    case 'bank':
      return good({ ...blank, texts, ...readQuestions(root) });
    case 'file':
    case 'other':
      return good(blank);
  }
}

/** QTI 1.2 as Common Cartridge profiles it: title, points as the sum of the questions' weighting, which answers count. */
function readQuestions(root: XmlElement): Partial<Body> {
  const assessment = [...descendantsNamed(root, 'assessment')][0];
  const bank = [...descendantsNamed(root, 'objectbank')][0];
  let points: number | null = null;
  const keys: string[] = [];
  for (const question of descendantsNamed(root, 'item')) {
    for (const field of descendantsNamed(question, 'qtimetadatafield')) {
      const label = textOf(childNamed(field, 'fieldlabel')).trim();
      const value = number(textOf(childNamed(field, 'fieldentry')).trim());
      if ((label === 'cc_weighting' || label === 'qmd_weighting') && value !== null) points = (points ?? 0) + value;
    }
    // Idents change with every copy, so an answer is named by its place among the question's answers.
    const places = new Map([...descendantsNamed(question, 'response_label')].map((l, i) => [attribute(l, 'ident'), i]));
    const right: string[] = [];
    for (const condition of descendantsNamed(question, 'respcondition'))
      for (const equal of descendantsNamed(condition, 'varequal')) {
        const value = textOf(equal).trim();
        right.push(String(places.get(value) ?? value));
      }
    keys.push(right.join(','));
  }
  return {
    title: (assessment && attribute(assessment, 'title')) || (bank && attribute(bank, 'ident')) || '',
    points,
    answerKey: keys.some((k) => k) ? keys.join(';') : '',
    bankIdent: (bank && attribute(bank, 'ident')) || null,
    bankRefs: [...descendantsNamed(root, 'sourcebank_ref')].map((r) => textOf(r).trim()).filter((r) => r),
  };
}

const line = (element: XmlElement | undefined): string => textOf(element).replace(/\s+/g, ' ').trim();
function number(text: string | null | undefined): number | null {
  const value = text ? Number(text) : NaN;
  return Number.isFinite(value) ? value : null;
}
const unescapeTitle = (title: string): string =>
  title
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&quot;/g, '"')
    .replace(/&#39;/g, "'")
    .replace(/&amp;/g, '&')
    .replace(/\s+/g, ' ')
    .trim();
