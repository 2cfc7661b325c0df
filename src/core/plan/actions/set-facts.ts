import { z } from 'zod';
import type { Shell } from '@/core/shell/model';
import { parseLocalDate, type LocalDate } from '@/core/dates/local-date';
import { termFault } from '@/core/shell/term-length';
import { readSeriesAgain } from '@/core/time/change-events';
import { defineAction, type Applied } from '@/core/plan/action/action';

const day = z
  .string()
  .refine((text) => parseLocalDate(text) !== null, 'write a day as 2027-01-11')
  .nullable();
const facts = z.strictObject({
  code: z.string().trim().max(200).optional(),
  title: z.string().trim().min(1).max(1000).optional(),
  term: z.strictObject({ title: z.string(), start: day, end: day }).optional(),
});
type Facts = z.output<typeof facts>;

/** Changes what the shell says of itself: its code, title and term. Its target is the shell. */
export const setFacts = defineAction({
  name: 'set-facts',
  label: 'Change facts of',
  title: 'Change facts of the shell',
  toDo: ({ sets }) => ({
    what: `Change what the shell says of itself: ${sayFacts(sets)}.`,
    lookFor: 'The shell’s own page says so.',
  }),
  decides: 'facts',
  isByHandOnHosts: true,
  nothing: 'the shell says so already',
  phase: 'facts',
  on: ['shell'],
  only: 'it is not the shell',
  params: facts,
  perTarget: [],
  expects: facts,
  sets: facts,
  setsOf: (params) => params,
  paramsOf: (targets) => targets[0]?.sets ?? {},
  now: (shell, _, sets) => factsOf(shell, sets),
  isSet: (now, sets) => JSON.stringify(now) === JSON.stringify(inOrder(sets)),
  apply: (shell, targets): Applied => {
    const [target] = targets;
    if (!target) return { shell, blocked: new Map() };
    const { code, title, term } = target.sets;
    const end = term === undefined ? shell.term : { ...term, start: asDay(term.start), end: asDay(term.end) };
    const fault = termFault(end);
    if (fault !== null) return { shell, blocked: new Map([[target.ref, `the term ${fault}`]]) };
    const next: Shell = { ...shell, code: code ?? shell.code, title: title ?? shell.title, term: end };
    return { shell: end.end === shell.term.end ? next : readSeriesAgain(next), blocked: new Map() };
  },
});

const asDay = (text: string | null): LocalDate | null => (text === null ? null : parseLocalDate(text));

/** The facts that a step is about, as they are now. */
const factsOf = (shell: Shell, about: Facts): Facts => ({
  ...(about.code === undefined ? {} : { code: shell.code }),
  ...(about.title === undefined ? {} : { title: shell.title }),
  ...(about.term === undefined ? {} : { term: { ...shell.term } }),
});

const sayFacts = ({ code, title, term }: Facts): string =>
  [
    code === undefined ? [] : `code “${code}”`,
    title === undefined ? [] : `title “${title}”`,
    term === undefined
      ? []
      : `term “${term.title}” from ${term.start ?? 'no day'} to ${term.end ?? 'no day'}`,
  ]
    .flat()
    .join(', ');

const inOrder = ({ code, title, term }: Facts): Facts => ({
  ...(code === undefined ? {} : { code }),
  ...(title === undefined ? {} : { title }),
  ...(term === undefined ? {} : { term: { title: term.title, start: term.start, end: term.end } }),
});
