import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { phraseFinder } from '@/core/text/phrases';
import { defineCheck } from '@/core/checks/check/check';
import { bySubject, sentenceEvidence } from './mentions';

export const leftoverPhrase = defineCheck({
  id: 'outdated.leftover-phrase',
  title: 'Phrases of former systems',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: ['passages'],
  options: z.object({}),
  messages: { one: '“{title}” still says “{says}”', many: '“{title}” still says “{says}” and {count} more' },
  things: ['item with a phrase of a former system', 'items with a phrase of a former system'],
  page: {
    means:
      'A text or title says a phrase of the house rules’ list: the name of a former system, an old help line, a retired service.',
    why: 'Students call a number that nobody answers, and look for a menu that is not there.',
    example: '“Ask the help desk in Room 12”, which closed with the old library.',
    remedy: 'Edit the sentence shown, or delete what is only about the former system.',
    notWhen: 'The house rules list no such phrases.',
  },
  notApplicable: (shell) => (shell.items.length ? null : 'the shell is empty'),
  *find({ facts, rules }) {
    const find = phraseFinder(rules.leftoverPhrases);
    if (!find) return;
    const hits = [];
    for (const passage of facts.passages)
      for (const { start, end } of find(passage.text))
        hits.push({ passage, start, end, says: passage.text.slice(start, end) });
    for (const { subject, title, hits: found } of bySubject(hits)) {
      const says = [...new Set(found.map((h) => h.says.toLowerCase()))];
      yield {
        message:
          says.length === 1
            ? { id: 'one', params: { title, says: elementAt(found, 0).says } }
            : { id: 'many', params: { title, says: elementAt(found, 0).says, count: says.length - 1 } },
        subjects: [subject],
        evidence: found.slice(0, 8).map(sentenceEvidence),
        remedy: null,
        batch: says[0] ?? '',
      };
    }
  },
});
