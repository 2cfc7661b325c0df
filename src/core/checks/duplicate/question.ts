import { z } from 'zod';
import type { AddressReader } from '@/core/links/package-paths';
import { scansOfContent, type ContentText } from '@/core/links/scans';
import { webAddressKey } from '@/core/links/web-address';
import type { Content, Question } from '@/core/shell/model';
import { excerpt, textKey } from '@/core/text/normalise';
import { plural } from '@/core/text/plural';
import type { WrittenAddress } from '@/core/text/scan-html';
import { defineCheck } from '@/core/checks/check/check';
import type { SubjectRef } from '@/core/checks/finding/finding';

export const duplicateQuestion = defineCheck({
  id: 'duplicate.question',
  title: 'The same question twice',
  urgency: 'look-at',
  remedyKind: 'safe',
  needs: ['links'],
  options: z.object({}),
  messages: { questions: '“{title}” asks {count} twice' },
  things: ['quiz or bank that asks a question twice', 'quizzes or banks that ask a question twice'],
  page: {
    means: 'A quiz or question bank holds a question with equal words and equal answers twice or more.',
    why: 'A random draw gives one student the same question twice, and the points count double.',
    example: 'The bank “Stage” was imported into itself: all nine questions stand twice.',
    remedy: 'Deletes the later ones; the first stays.',
    notWhen: 'The answers or the right answer differ.',
  },
  notApplicable: (shell) =>
    shell.contents.some((c) => c.questions.length > 1) ? null : 'no quiz or bank has two questions',
  *find({ shell, facts }) {
    const contents = new Map(shell.contents.map((c) => [c.id, c]));
    const owners: { subject: SubjectRef; title: string; content: Content }[] = [];
    const seen = new Set<string>();
    for (const item of shell.items) {
      const content =
        item.content === null || seen.has(item.content) ? undefined : contents.get(item.content);
      if (!content) continue;
      seen.add(content.id);
      owners.push({ subject: { type: 'item', ref: item.ref }, title: item.title, content });
    }
    for (const bank of shell.banks) {
      const content = bank.content ? contents.get(bank.content) : undefined;
      if (content) owners.push({ subject: { type: 'bank', ref: bank.ref }, title: bank.title, content });
    }
    for (const { subject, title, content } of owners) {
      if (content.questions.length < 2) continue;
      const scans = scansOfContent(content);
      const keyOf = questionKeys(content, scans, facts.links.read);
      const first = new Set<string>();
      const again: { question: Question; words: string }[] = [];
      for (const question of content.questions) {
        const key = keyOf(question);
        if (key === null) continue;
        const words = question.stem.map((place) => scans[place]?.text ?? '').join(' ');
        if (first.has(key)) again.push({ question, words });
        else first.add(key);
      }
      if (!again.length) continue;
      yield {
        message: { id: 'questions', params: { title, count: plural(again.length, 'question') } },
        subjects: [subject],
        evidence: again.slice(0, 12).map(({ question, words }) => ({
          label: 'Stands twice',
          value: `${excerpt(words, 120)} (${plural(question.answers.length, 'answer')})`,
          where: question.ident,
        })),
        remedy: {
          action: 'delete',
          targets: [subject.ref],
          params: { questions: again.map((a) => a.question.ident) },
          kind: 'safe',
        },
      };
    }
  },
});

/** What makes two questions equal: the words, pictures and links of stem and answers, and which answers are right. */
function questionKeys(
  content: Content,
  scans: readonly ContentText[],
  read: AddressReader,
): (question: Question) => string | null {
  const meant = ({ value }: WrittenAddress, base: string | null): string => {
    if (content.textPath === null) return value;
    const meaning = read(value, content.textPath, base);
    switch (meaning.to) {
      case 'package':
        return meaning.found ?? meaning.asked;
      case 'outside':
        return webAddressKey(meaning.url);
      case 'itself':
      case 'folder':
      case 'host-path':
      case 'leaves-package':
      case 'nothing':
        return value;
    }
  };
  const keyOfTexts = (places: readonly number[]): string => {
    const here = places.map((place) => scans[place]).filter((scan) => scan !== undefined);
    const targets = here.flatMap((scan) => scan.addresses.map((address) => meant(address, scan.base)));
    return [textKey(here.map((scan) => scan.text).join(' ')), ...targets].join('\u0001');
  };
  return ({ stem, answers }) => {
    const asked = keyOfTexts(stem);
    if (asked === '') return null;
    const offered = answers.map(({ right, text }) => `${right} ${keyOfTexts(text)}`);
    return [asked, ...offered].join('\u0000');
  };
}
