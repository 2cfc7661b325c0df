import type { Context } from '../context';
import { spellDate, type LocalDate } from '@/core/time/local-date';
import { sealedRehearsal } from '../rehearse/order-rehearsal';
import { inventoryOf, runsOf, type CurrentShell } from './current-shell';

/** A term in one line: its title, else its days, else that nobody told. */
export function spellTerm(row: {
  termTitle: string;
  termStart: string | null;
  termEnd: string | null;
}): string {
  if (row.termTitle) return row.termTitle;
  if (row.termStart && row.termEnd)
    return `${spellDate(row.termStart as LocalDate)} to ${spellDate(row.termEnd as LocalDate)}`;
  return 'term not known';
}

const clock = (iso: string, now: Date): string => {
  const when = new Date(iso);
  const two = (n: number) => String(n).padStart(2, '0');
  const time = `${two(when.getHours())}:${two(when.getMinutes())}`;
  return when.toDateString() === now.toDateString()
    ? `today ${time}`
    : `${when.getDate()}.${when.getMonth() + 1}. ${time}`;
};

/** What the frame says on every screen of this shell. */
export function frameView(context: Context, shell: CurrentShell, now: Date) {
  const { row, version, kept, open, plan, smoothness } = shell;
  const runs = runsOf(context, row.id);
  const last = runs.find((r) => r.state === 'done');
  const planned = new Set([...plan.accepted, ...plan.handSteps.map(({ step }) => step.from)]);
  return {
    id: row.id,
    code: row.code,
    title: row.title,
    term: spellTerm(row),
    role: row.role,
    planSize: plan.size,
    states: {
      'bring-in': `${inventoryOf(version).counts.items} items`,
      comb: kept ? clock(kept.combedAt, now) : 'not yet',
      // As the workbench counts: what is in the plan is decided.
      decide: kept ? `${open.filter((f) => !planned.has(f.id)).length} open` : '–',
      rehearse: plan.size === 0 ? '–' : sealedRehearsal(context, shell) ? 'rehearsed' : 'not yet',
      'carry-out': last ? clock(last.finishedAt, now) : '–',
      prove: smoothness ? `${smoothness.percent} % smooth` : '–',
    },
  };
}
