import { z } from 'zod';
import { collect } from '@/core/collect';
import { outsideUses, type OutsideUse } from '@/core/probe/outside-uses';
import type { Probe } from '@/core/probe/probe';
import { isDead, webStateTitles, type WebAnswer } from '@/core/probe/web-answer';
import type { Shell } from '@/core/shell/model';
import { plural } from '@/core/text/plural';
import { compareText } from '@/core/compare-text';
import { spellDate } from '@/core/dates/local-date';
import type { LocalDate } from '@/core/dates/local-date';
import { defineCheck } from '@/core/checks/check/check';
import type { Remedy, SubjectRef } from '@/core/checks/finding/finding';

/** What is to be done about an address: three sorts, each a batch of its own. */
type Sort = 'dead' | 'moved' | 'ended';

/** An address of a thing, and what it answered. */
interface Answered {
  readonly use: OutsideUse;
  readonly answer: WebAnswer;
}
/** The addresses of one sort in one thing. */
interface Found {
  readonly sort: Sort;
  readonly by: OutsideUse['by'];
  readonly answered: readonly Answered[];
}

/** So many addresses of one thing are shown as evidence. */
const mostShown = 12;

export const deadLink = defineCheck({
  id: 'outdated.dead-link',
  title: 'Dead links to the outside',
  urgency: 'fix-first',
  remedyKind: 'judgement',
  needs: ['probe', 'whole'],
  options: z.object({}),
  messages: {
    dead: '“{title}” has {addresses} to what is no longer there',
    moved: '“{title}” has {addresses} to what moved for good',
    ended: '“{title}” leads to a meeting that has ended',
  },
  things: ['thing with a dead link to the outside', 'things with a dead link to the outside'],
  counts: 'findings',
  page: {
    means:
      'The link probe asked the addresses outside, and one of them is gone (404, 410), has no such host, has a certificate that browsers refuse, moved for good, or belongs to a meeting whose page says that it has ended.',
    why: 'Nobody sees a dead link but the student who needs it the evening before.',
    example: 'The reading list of Week 5 leads to a page that the museum took down two years ago.',
    remedy:
      'Leads a link that moved to its new address; takes a dead one out of its text, whose words stay. An item that is such a link and nothing else is deleted.',
    notWhen:
      'Nobody has probed the links yet. What needs a sign-in, is slow or busy, leads in a circle, has a fault at the other end, or lies in a private network is told apart and never called dead; see “Outside links” under Prove. Tools are not asked.',
  },
  notApplicable: (shell) => (outsideUses(shell).length ? null : 'no link leads out of the shell'),
  notAsked: ({ probe }) => (probe === null ? 'not probed yet' : null),
  *find({ shell, facts }) {
    if (facts.probe === null) return;
    const titles = titlesOf(shell);
    for (const found of foundIn(facts.whole, facts.probe)) {
      const title = titles.get(`${found.by.type} ${found.by.ref}`);
      // What stands in a store of staff is no trouble of students.
      if (title === undefined) continue;
      const addresses = plural(new Set(found.answered.map(({ use }) => use.url)).size, 'link');
      yield {
        message:
          found.sort === 'ended'
            ? { id: 'ended', params: { title } }
            : { id: found.sort, params: { title, addresses } },
        subjects: [found.by satisfies SubjectRef],
        evidence: evidenceOf(found),
        remedy: remedyOf(found),
        about: found.sort,
        batch: found.sort,
      };
    }
  },
});

/** Titles by type and ref. */
function titlesOf(shell: Shell): ReadonlyMap<string, string> {
  return new Map([
    ...shell.items.map(({ ref, title }) => [`item ${ref}`, title] as const),
    ...shell.files.map(({ path }) => [`file ${path}`, path] as const),
    ...shell.events.map(({ ref, title }) => [`event ${ref}`, title] as const),
  ]);
}

/** The addresses that want something done, by thing and sort, in the order in which they stand. */
function foundIn(shell: Shell, probe: Probe): readonly Found[] {
  const byThing = new Map<string, Answered[]>();
  for (const use of outsideUses(shell)) {
    const answer = probe.answerOf(use.url);
    const sort = answer && sortOf(answer);
    if (answer && sort) collect(byThing, `${use.by.type} ${use.by.ref} ${sort}`, { use, answer });
  }
  return [...byThing.values()].flatMap((answered) => {
    const [first] = answered;
    const sort = first && sortOf(first.answer);
    return first && sort ? [{ sort, by: first.use.by, answered }] : [];
  });
}

function sortOf({ state }: WebAnswer): Sort | null {
  if (isDead(state)) return 'dead';
  return state === 'moved' || state === 'ended' ? state : null;
}

function evidenceOf({ by, answered }: Found) {
  const byUrl = new Map(answered.map((one) => [one.use.url, one]));
  const shown = [...byUrl.values()].sort((a, b) => compareText(a.use.url, b.use.url)).slice(0, mostShown);
  return shown.map(({ use, answer }) => ({
    label: webStateTitles[answer.state],
    value: `${use.written} · ${answer.says} Asked on ${spellDate(answer.askedAt.slice(0, 10) as LocalDate)}.`,
    where: by.ref,
  }));
}

/** What to do about the addresses of one sort in one thing; null where only a person can. */
function remedyOf({ sort, by, answered }: Found): Remedy | null {
  const targets = [by.ref];
  if (by.type === 'event') return sort === 'moved' ? null : dropFrom(by.ref, answered);
  const led = answered.filter(({ use }) => use.isAsWritten);
  if (sort === 'moved') {
    const addresses = Object.fromEntries(
      led.flatMap(({ use, answer }) =>
        answer.movedTo ? [[use.written, newAddress(use, answer.movedTo)]] : [],
      ),
    );
    if (!Object.keys(addresses).length) return null;
    return { action: 'relink', targets, params: { addresses }, kind: 'judgement' };
  }
  if (answered.some(({ use }) => use.form === 'target'))
    return { action: 'delete', targets, params: {}, kind: 'judgement' };
  if (!led.length) return null;
  const drop = [...new Set(led.map(({ use }) => use.written))];
  return { action: 'unlink', targets, params: { drop }, kind: 'judgement' };
}

const dropFrom = (ref: string, answered: readonly Answered[]): Remedy => ({
  action: 'drop-link',
  targets: [ref],
  params: { links: { [ref]: [...new Set(answered.map(({ use }) => use.written))] } },
  kind: 'judgement',
});

/** The new address, with the place inside the page that the link means (RFC 9110, 10.2.2). */
function newAddress({ written }: OutsideUse, movedTo: string): string {
  const hash = written.indexOf('#');
  return hash < 0 || movedTo.includes('#') ? movedTo : movedTo + written.slice(hash);
}
