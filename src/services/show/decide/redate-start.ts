import { oldTermOf } from '@/core/redate/redate';
import { spellDayList } from '@/core/time/day-list';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { plannedShell } from '@/services/keep/plan/planned-shell';
import { rulesFor } from '@/services/keep/rules/house-rules';
import { rulesFrom } from '@/services/keep/rules/written-rules';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { houseNoClass } from '@/core/time/house-terms';

/** What the screen opens with. */
export interface RedateStart {
  readonly id: string;
  readonly code: string;
  readonly old: { readonly start: string | null; readonly end: string | null; readonly inferred: boolean };
  readonly oldNoClass: string;
  readonly term: {
    readonly title: string;
    readonly start: string | null;
    readonly end: string | null;
    readonly noClass: string;
  };
}

export function redateStart(folder: OpenFolder, current: CurrentShell): RedateStart {
  const rules = rulesFrom(rulesFor(folder, current.row).written);
  const terms = rules.ok ? rules.value.terms : [];
  const shell = plannedShell(folder, current, { keyMarks: rules.ok ? rules.value.keyMarks : [] });
  return {
    id: current.row.id,
    code: current.row.code || current.row.title,
    old: oldTermOf(shell),
    oldNoClass: spellDayList(houseNoClass(oldTermOf(shell), terms)),
    term: {
      title: shell.term.title,
      start: shell.term.start,
      end: shell.term.end,
      noClass: spellDayList(shell.noClassDays),
    },
  };
}
