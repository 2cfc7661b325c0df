import { allChecks } from '@/core/checks/run/registry';
import type { CheckRecord } from '@/core/checks/check/check';
import type { Urgency } from '@/core/checks/finding/finding';
import { ruleLists, settingsOf, type Setting } from '@/core/checks/run/settings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { listShells } from '@/services/show/shells/shell-list';
import { houseSet, keptRules } from '@/services/keep/rules/house-rules';
import { listRuleSets, type RuleSet } from '@/services/do/rules/rule-sets';
import type { WrittenRules } from '@/services/keep/rules/written-rules';

export interface CheckFormView {
  readonly id: string;
  readonly title: string;
  readonly urgency: Urgency;
  readonly settings: readonly Setting[];
}
/** What the screens of house rules show: plain data only. */
export interface RulesView {
  /** The set that is shown. */
  readonly set: string;
  readonly sets: readonly RuleSet[];
  readonly kept: WrittenRules;
  readonly lists: readonly {
    readonly name: string;
    readonly title: string;
    readonly says: string;
    readonly normal: readonly string[];
  }[];
  readonly checks: readonly CheckFormView[];
  readonly shells: readonly { readonly id: string; readonly name: string }[];
}

export const checkFormOf = (check: CheckRecord): CheckFormView => ({
  id: check.id,
  title: check.title,
  urgency: check.urgency,
  settings: settingsOf(check),
});

/** `leftoverPhrases` becomes “Leftover phrases”. */
const spell = (name: string): string => {
  const words = name.replace(/([A-Z])/g, (c) => ` ${c.toLowerCase()}`);
  return words.charAt(0).toUpperCase() + words.slice(1);
};

export function rulesView(folder: OpenFolder, asked: string = houseSet): RulesView {
  const sets = listRuleSets(folder);
  const set = sets.some(({ id }) => id === asked) ? asked : houseSet;
  return {
    set,
    sets,
    kept: keptRules(folder, set).written,
    lists: ruleLists.map((l) => ({ ...l, title: spell(l.name) })),
    checks: allChecks.map(checkFormOf),
    // Shells of the department; those that were combed come first: there the effect is known best.
    shells: listShells(folder)
      .filter(({ rulesId }) => (rulesId ?? houseSet) === set)
      .sort((a, b) => Number(b.open !== null) - Number(a.open !== null) || b.openTotal - a.openTotal)
      .map(({ id, code, title }) => ({ id, name: [code, title].filter((t) => t !== '').join(' ') })),
  };
}
