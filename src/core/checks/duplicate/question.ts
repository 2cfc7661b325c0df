import { z } from 'zod';
import { scansOfContent } from '@/core/links/scans';
import type { Content, Question } from '@/core/shell/model';
import { excerpt, textKey } from '@/core/text/normalise';
import { plural } from '@/core/text/plural';
import { defineCheck } from '../check';
import type { SubjectRef } from '../finding';

export const duplicateQuestion = defineCheck({
  id: 'duplicate.question',
  title: 'The same question twice',
  urgency: 'look-at',
  remedyKind: 'safe',
  needs: [],
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
  *find({ shell }) {
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
      const texts = scansOfContent(content).map((s) => s.text);
      const first = new Map<string, Question>();
      const again: { question: Question; words: string }[] = [];
      for (const question of content.questions) {
        const words = question.stem.map((i) => texts[i] ?? '').join(' ');
        const key =
          textKey(words) === ''
            ? ''
            : [
                textKey(words),
                ...question.answers.map(
                  (a) => `${a.right} ${textKey(a.text.map((i) => texts[i] ?? '').join(' '))}`,
                ),
              ].join('\u0000');
        if (key === '') continue;
        if (first.has(key)) again.push({ question, words });
        else first.set(key, question);
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
