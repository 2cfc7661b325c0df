import { z } from 'zod';
import { contentNode } from '@/core/links/graph';
import { plural } from '@/core/text/plural';
import { defineCheck } from '@/core/checks/check/check';

export const unusedBank = defineCheck({
  id: 'orphan.unused-bank',
  title: 'Question banks that no quiz uses',
  urgency: 'tidy',
  remedyKind: 'judgement',
  needs: ['links'],
  options: z.object({}),
  messages: { bank: 'No quiz draws on the question bank “{title}”' },
  things: ['question bank that no quiz uses', 'question banks that no quiz uses'],
  question: 'Will anybody still draw on these question banks?',
  page: {
    means:
      'No quiz draws on a question bank, neither by a dependency of its resource nor by naming the bank’s identifier.',
    why: 'Every import brings its banks again. After some terms nobody knows which of five equal names the quizzes draw on.',
    example:
      '“converted-bank-1” came from the former system; its questions were put into the quizzes themselves.',
    remedy:
      'Deletes the bank with its questions. Somebody may keep it for later, so it is a matter of judgement.',
    notWhen: 'A quiz depends on it or names it, even a quiz that students cannot see.',
  },
  notApplicable: (shell) => (shell.banks.length ? null : 'there are no question banks'),
  *find({ shell, facts }) {
    const contents = new Map(shell.contents.map((c) => [c.id, c]));
    const named = new Set(shell.contents.flatMap((c) => c.bankRefs));
    for (const bank of shell.banks) {
      const content = bank.content === null ? undefined : contents.get(bank.content);
      const drawn = content
        ? (facts.links.incoming.get(contentNode(content.id)) ?? []).some(
            (e) => e.kind === 'dependency' || e.kind === 'bank',
          )
        : named.has(bank.ref);
      if (drawn) continue;
      yield {
        message: { id: 'bank', params: { title: bank.title } },
        subjects: [{ type: 'bank', ref: bank.ref }],
        evidence: [
          { label: 'Quizzes that draw on it', value: '0', where: bank.ref },
          ...(content ? [{ label: 'In it', value: plural(content.questions.length, 'question') }] : []),
        ],
        remedy: { action: 'delete', targets: [bank.ref], params: {}, kind: 'judgement' },
      };
    }
  },
});
