import { z } from 'zod';
import { english } from '@/core/text/english';
import { namedTerms, shortTerms, type TermMeaning } from '@/core/text/named-terms';
import { defineCheck } from '../check';

export const titleTerm = defineCheck({
  id: 'readiness.title-term',
  title: 'Another term in the shell’s name',
  urgency: 'fix-first',
  remedyKind: 'none',
  needs: ['ownTerm'],
  options: z.object({}),
  messages: { term: 'The shell’s {where} says “{says}”, and its term is {is}' },
  things: ['shell that names another term', 'shells that name another term'],
  page: {
    means: 'The title or the code of the shell, or the title inside its package, names an academic term other than the shell’s own.',
    why: 'It may be the wrong shell. If it is the right one, students will think that it is not.',
    example: '“Stream Ecology – Autumn 2025” in a shell for Spring 2027.',
    remedy: 'Look whether this is the shell you mean; then give it the title of this term.',
    notWhen: 'The term named is the shell’s own.',
  },
  notApplicable: (shell) => (shell.term.title || shell.term.start ? null : 'the shell’s own term is not known'),
  *find({ shell, facts }) {
    const is = shell.term.title || `${shell.term.start} to ${shell.term.end ?? 'an unknown day'}`;
    const year = facts.ownTerm.year ?? 0;
    const own = new Set(namedTerms(shell.term.title, english).map((n) => spell(n.means)));
    const places = [
      { where: 'title', text: shell.title },
      { where: 'code', text: shell.code.replace(/[-_.]+/g, ' ') },
      { where: 'package title', text: shell.frame.title },
    ];
    const seen = new Set<string>();
    for (const { where, text } of places)
      for (const named of [...namedTerms(text, english), ...shortTerms(text, english, year)]) {
        if (own.has(spell(named.means)) || seen.has(named.says)) continue;
        // A later term, too, is another one; where only days tell the shell's own, only a past one is sure.
        if (!facts.ownTerm.isPast(named.means) && (own.size === 0 || [...own].every((o) => !comparable(o, named.means)))) continue;
        seen.add(named.says);
        yield {
          message: { id: 'term', params: { where, says: named.says, is } },
          subjects: [{ type: 'shell', ref: shell.ref }],
          evidence: [
            { label: `The ${where}`, value: text, where: shell.ref },
            { label: 'The term', value: is },
          ],
          remedy: null,
        };
        return;
      }
  },
});

const spell = (m: TermMeaning): string => (m.kind === 'season' ? `season ${m.season} ${m.year}` : m.kind === 'numbered' ? `${m.word} ${m.number} ${m.year}` : `year ${m.from}`);
const comparable = (own: string, named: TermMeaning): boolean => own.split(' ')[0] === spell(named).split(' ')[0];
