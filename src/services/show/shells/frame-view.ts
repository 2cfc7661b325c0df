import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { isRehearsed } from '@/services/do/rehearse/order-rehearsal';
import { recipeProgress } from '@/services/show/recipes/shell-recipe';
import { undecidedOf } from '@/services/keep/plan/undecided';
import { spellTerm } from '@/services/keep/shells/spell-term';
import { inventoryOf, runsOf, type CurrentShell } from '@/services/keep/shells/current-shell';

const clock = (iso: string, now: Date): string => {
  const when = new Date(iso);
  const two = (n: number) => String(n).padStart(2, '0');
  const time = `${two(when.getHours())}:${two(when.getMinutes())}`;
  return when.toDateString() === now.toDateString()
    ? `today ${time}`
    : `${when.getDate()}.${when.getMonth() + 1}. ${time}`;
};

/** What the frame says on every screen of this shell. */
export function frameView(folder: OpenFolder, shell: CurrentShell, now: Date) {
  const { row, version, audit, plan, smoothness } = shell;
  const last = runsOf(folder, row.id).find((r) => r.state === 'done');
  return {
    id: row.id,
    code: row.code,
    title: row.title,
    term: spellTerm(row),
    role: row.role,
    planSize: plan.size,
    recipe: recipeProgress(folder, { id: row.id, code: row.code, planSize: plan.size, audit }),
    states: {
      'bring-in': `${inventoryOf(version).counts.items} items`,
      comb: audit ? clock(audit.combedAt, now) : 'not yet',
      // As the workbench counts: what is in the plan is decided.
      decide: audit ? `${undecidedOf(folder, shell)} open` : '–',
      rehearse: rehearsedWord(folder, shell),
      'carry-out': last?.finishedAt ? clock(last.finishedAt, now) : '–',
      prove: smoothness ? `${smoothness.percent} % smooth` : '–',
    },
  };
}

function rehearsedWord(folder: OpenFolder, shell: CurrentShell): string {
  if (shell.plan.size === 0) return '–';
  return isRehearsed(folder, shell) ? 'rehearsed' : 'not yet';
}
