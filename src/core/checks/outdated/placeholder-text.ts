import { z } from 'zod';
import { scansOfContent } from '@/core/links/scans';
import type { Content } from '@/core/shell/model';
import type { ContentId } from '@/core/refs/refs';
import { english } from '@/core/text/english';
import { stretchesOf } from '@/core/text/mentions';
import { textKey } from '@/core/text/normalise';
import { phraseFinder } from '@/core/text/phrases';
import { sentenceAround } from '@/core/text/sentence';
import { defineCheck } from '@/core/checks/check/check';
import { standsInCode, type Passage } from '@/core/checks/facts/passages';
import { bySubject, sentenceEvidence } from './mentions';

export const placeholderText = defineCheck({
  id: 'outdated.placeholder-text',
  title: 'Text meant for the teacher',
  urgency: 'fix-first',
  remedyKind: 'none',
  needs: ['passages'],
  options: z.object({}),
  messages: {
    text: '“{title}” still says “{says}”',
    many: '“{title}” still says “{says}” and {count} more',
    untitled: '“{title}” has no real title',
  },
  things: ['item with text meant for the teacher', 'items with text meant for the teacher'],
  page: {
    means:
      'Text that a template meant for the teacher was left in: lorem ipsum, “[insert …]”, “your name here”, TBD, “click to add”, “untitled”, or a phrase of the house rules.',
    why: 'Students read “Instructor: [insert name]” and wonder who reads this shell.',
    example: '“Office hours: TBA” in the third week.',
    remedy: 'Edit it, or hide the item until it is written.',
    notWhen: 'It is an exercise with blanks to fill in, or code.',
  },
  notApplicable: (shell) => (shell.items.length ? null : 'the shell is empty'),
  *find({ shell, facts, rules }) {
    const findOwn = phraseFinder(rules.placeholderPhrases);
    const contents = new Map(shell.contents.map((content) => [content.id, content]));
    const hits = [];
    for (const passage of facts.passages) {
      if (passage.where === 'file-name') continue;
      if (passage.where === 'title' && english.untitled.test(passage.text)) {
        hits.push({ passage, start: 0, end: passage.text.length, says: '' });
        continue;
      }
      const found = [
        passage.mentions?.placeholders ?? stretchesOf(passage.text, english.placeholder),
        findOwn ? findOwn(passage.text) : [],
      ].flat();
      for (const { start, end } of found)
        if (!isMeant(contents, passage, start, end))
          hits.push({ passage, start, end, says: passage.text.slice(start, end).trim() });
    }
    for (const { subject, title, hits: found } of bySubject(hits)) {
      const says = [...new Set(found.map((h) => h.says).filter((s) => s !== ''))];
      const messageOf = () => {
        const [first, ...more] = says;
        if (first === undefined) return { id: 'untitled', params: { title } } as const;
        if (!more.length) return { id: 'text', params: { title, says: first } } as const;
        return { id: 'many', params: { title, says: first, count: more.length } } as const;
      };
      yield {
        message: messageOf(),
        subjects: [subject],
        evidence: found.slice(0, 8).map(sentenceEvidence),
        remedy: null,
      };
    }
  },
});

type Contents = ReadonlyMap<ContentId, Content>;

/** Blanks in an exercise and words in code are meant to stand there. */
function isMeant(contents: Contents, passage: Passage, start: number, end: number): boolean {
  if (standsInCode(passage, start, end)) return true;
  if (english.fillIn.test(sentenceAround(passage.text, start, end).text)) return true;
  return passage.text[start] === '[' && isFilled(contents, passage, passage.text.slice(start + 1, end - 1));
}

/** What stands in brackets for one of the answers: “[insert word]”, and not “[insert figure 3]”. */
const gapWord = /\b(?:word|term|answer|number|figure of|value|name of|noun|verb|unit|blank|choice)s?\s*$/i;

/** Does a stem ask beside its brackets, or hold nothing but them? Then they are no gap in a sentence. */
const isAsking = (stem: string, inside: string): boolean =>
  stem.includes('?') || textKey(stem) === textKey(`[${inside}]`);

/** Questions whose answer is written into a gap (Common Cartridge, QTI profile: fill in the blank, pattern match). */
const gapProfile = /fib|pattern_match/;

/**
 * Do the answers of a question fill the very gap that its stem has in brackets? They do where one of them is its words,
 * where the answer is written into it, and where the stem is a sentence with a gap: “The [insert word] rises.”
 */
function isFilled(contents: Contents, { item, text }: Passage, inside: string): boolean {
  const content = item?.content ? contents.get(item.content) : undefined;
  if (content?.kind !== 'quiz') return false;
  const scans = scansOfContent(content);
  const textAt = (place: number) => scans[place]?.text ?? '';
  const asking = content.questions.filter(({ stem }) => stem.some((place) => textAt(place) === text));
  return asking.some(
    ({ profile, stem, answers }) =>
      gapProfile.test(profile) ||
      (gapWord.test(inside) && !stem.some((place) => isAsking(textAt(place), inside))) ||
      answers.some((answer) => textKey(answer.text.map(textAt).join(' ')) === textKey(inside)),
  );
}
