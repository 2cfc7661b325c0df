import type { ListedFinding } from '@/core/checks/finding/finding';
import type { Decisions } from '../comb/use-decisions';
import { divisibleTargets } from './remedies';
import type { FindingChoice } from './use-finding-choice';

/** Decisions on what is chosen, else on the finding that is looked at. */
export interface DecideOnChosen {
  accept(): void;
  /** Leaves what it is about be, with a reason where one was given. */
  leaveBe(reason?: string): void;
  ask(): void;
  later(): void;
  reopen(): void;
  change(other: number): void;
  /** Takes the same other remedy for those of the chosen that offer it. */
  changeAll(action: string): void;
}

export function decideOnChosen(choice: FindingChoice, decisions: Decisions): DecideOnChosen {
  const { about, current, chosen, spared } = choice;
  const decideAbout = (findings: readonly ListedFinding[], decide: (ids: readonly string[]) => void) => {
    if (findings.length === 0) return;
    decide(findings.map((finding) => finding.id));
    choice.goOn();
  };
  const acceptSome = (finding: ListedFinding) => {
    const only = divisibleTargets(finding).filter((ref) => !spared.has(ref));
    if (only.length > 0) decideAbout([finding], () => decisions.acceptSome(finding.id, only));
  };
  const takable = about.filter((finding) => finding.remedy !== null);
  return {
    accept: () => {
      const [first] = takable;
      const isInPart = current !== null && chosen.size === 0 && spared.size > 0;
      if (first && isInPart) acceptSome(first);
      else decideAbout(takable, decisions.accept);
    },
    leaveBe: (reason) => decideAbout(about, (ids) => decisions.leaveBe(ids, reason)),
    ask: () => decideAbout(about, decisions.ask),
    later: () => decideAbout(about, decisions.later),
    reopen: () => decideAbout(about, decisions.reopen),
    changeAll: (action) => {
      const offering = about.filter(({ offers }) => offers?.includes(action));
      decideAbout(offering, (ids) => decisions.changeAll(ids, action));
    },
    change: (other) => {
      if (!current) return;
      decisions.change(current.id, other);
      choice.goOn();
    },
  };
}
