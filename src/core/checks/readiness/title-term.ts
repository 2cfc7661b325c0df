import { z } from 'zod';
import { termDoubts } from '@/core/inventory/identity';
import { defineCheck, missing } from '@/core/checks/check/check';

export const titleTerm = defineCheck({
  id: 'readiness.title-term',
  title: 'Another term in the shell’s name',
  urgency: 'fix-first',
  remedyKind: 'none',
  needs: [],
  options: z.object({}),
  messages: { term: 'The shell’s {where} says “{says}”, and its term is {is}' },
  things: ['shell that names another term', 'shells that name another term'],
  page: {
    means:
      'The title or the code of the shell, or the title inside its package, names an academic term other than the shell’s own.',
    why: 'It may be the wrong shell. If it is the right one, students will think that it is not.',
    example: '“Stream Ecology – Autumn 2025” in a shell for Spring 2027.',
    remedy: 'Look whether this is the shell you mean; then give it the title of this term.',
    notWhen: 'The term named is the shell’s own.',
  },
  notApplicable: (shell) =>
    shell.term.title || shell.term.start ? null : missing('the shell’s own term is not known'),
  *find({ shell }) {
    const [doubt] = [...termDoubts(shell)].sort((a, b) => places.indexOf(a.where) - places.indexOf(b.where));
    if (!doubt) return;
    yield {
      message: { id: 'term', params: { where: doubt.where, says: doubt.says, is: doubt.is } },
      subjects: [{ type: 'shell', ref: shell.ref }],
      evidence: [
        { label: `The ${doubt.where}`, value: doubt.text, where: shell.ref },
        { label: 'The term', value: doubt.is },
      ],
      remedy: null,
    };
  },
});

/** The shell's own title is named first. */
const places = ['title', 'code', 'package title'];
