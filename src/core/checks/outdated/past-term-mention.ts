import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { english } from '@/core/text/english';
import { shortTerms, type NamedTerm } from '@/core/text/named-terms';
import { sentenceAround } from '@/core/text/sentence';
import { defineCheck, missing } from '@/core/checks/check/check';
import { standsInHistory, standsQuoted } from '@/core/checks/facts/passages';
import { bySubject, sentenceEvidence } from './mentions';

export const pastTermMention = defineCheck({
  id: 'outdated.past-term-mention',
  title: 'An earlier term is named',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: ['passages', 'namedTerms', 'ownTerm'],
  options: z.object({}),
  messages: { one: '“{title}” names {says}', many: '“{title}” names {says} and {count} more' },
  things: ['item or file that names an earlier term', 'items and files that name an earlier term'],
  page: {
    means:
      'A title, a text, a file’s name or a picture’s alternative text names an academic term or year before this one.',
    why: 'Students read that the page is two years old, and ask what else is.',
    example: '“Welcome to Autumn 2025!” on the first page of a shell for Spring 2027.',
    remedy: 'Edit the sentence shown.',
    notWhen:
      'It stands in a citation, a list of references or a line of copyright, with “since” or “published”, or with words of history and data.',
  },
  notApplicable: (shell) =>
    shell.term.title || shell.term.start ? null : missing('the shell’s own term is not known'),
  *find({ facts }) {
    const hits = [];
    for (const { passage, says } of facts.namedTerms)
      if (
        facts.ownTerm.isPast(says.means) &&
        !standsQuoted(passage, says.start, says.end) &&
        !standsInHistory(passage, says.start, says.end) &&
        !isData(passage.text, says)
      )
        hits.push({ passage, start: says.start, end: says.end, says });
    const year = facts.ownTerm.year;
    if (year !== null)
      for (const passage of facts.passages)
        if (passage.where === 'title' || passage.where === 'file-name')
          for (const says of shortTerms(passage.text, english, year))
            if (facts.ownTerm.isPast(says.means))
              hits.push({ passage, start: says.start, end: says.end, says });
    for (const { subject, title, hits: found } of bySubject(hits)) {
      const names = [...new Set(found.map((h) => h.says.says))];
      yield {
        message:
          names.length === 1
            ? { id: 'one', params: { title, says: elementAt(names, 0) } }
            : { id: 'many', params: { title, says: elementAt(names, 0), count: names.length - 1 } },
        subjects: [subject],
        evidence: found.slice(0, 8).map(sentenceEvidence),
        remedy: null,
        confidence: found.every((h) => h.says.means.kind === 'year') ? 0.8 : 0.9,
      };
    }
  },
});

/** A bare range of years in a sentence of data or history is a season of measuring, not an academic year. */
function isData(text: string, named: NamedTerm): boolean {
  if (
    named.means.kind !== 'year' ||
    english.academicYear.test(text.slice(Math.max(0, named.start - 16), named.start))
  )
    return false;
  const near = sentenceAround(text, named.start, named.end).text;
  return english.history.test(near) || english.dataWords.test(near);
}
