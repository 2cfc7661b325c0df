import type { CheckId } from '@/core/checks/finding/finding';
import type { CheckOutcome, CheckRow } from '@/core/checks/run/run-checks';
import { openingLines } from './opening-lines';

/** How one check of a line stands. */
export interface AskedCheck {
  readonly check: CheckId;
  readonly title: string;
  readonly open: number;
  /** Why it said nothing, where it did not look; null where it did. */
  readonly notAsked: string | null;
  /** It did not look, though there may be something to find. */
  readonly isUnknown: boolean;
}
/** `yes`: all of it was looked at, and is in order. `partly`: some of it; `not-asked`: none of it, so nobody knows. */
export type OpeningState = 'yes' | 'no' | 'partly' | 'not-asked';

export interface OpeningAnswer {
  readonly id: string;
  readonly title: string;
  readonly state: OpeningState;
  /** Open findings of all its checks. */
  readonly open: number;
  readonly checks: readonly AskedCheck[];
}

/** The answers of an audit to the opening-day list. `open` gives the open findings of a check, `titleOf` its title. */
export function openingDay(
  rows: readonly CheckRow[],
  open: ReadonlyMap<string, number>,
  titleOf: (check: CheckId) => string,
): readonly OpeningAnswer[] {
  const outcomes = new Map(rows.map(({ check, outcome }) => [check, outcome]));
  return openingLines.map(({ id, title, checks }) => {
    const asked = checks.map((check): AskedCheck => ({
      check,
      title: titleOf(check),
      open: open.get(check) ?? 0,
      notAsked: whyNotAsked(outcomes.get(check)),
      isUnknown: isUnknown(outcomes.get(check)),
    }));
    const all = asked.reduce((sum, one) => sum + one.open, 0);
    return { id, title, state: stateOf(asked, all), open: all, checks: asked };
  });
}

function stateOf(asked: readonly AskedCheck[], open: number): OpeningState {
  if (open > 0) return 'no';
  if (asked.every(({ notAsked }) => notAsked !== null)) return 'not-asked';
  return asked.some(({ isUnknown }) => isUnknown) ? 'partly' : 'yes';
}

/** Did a check not look, though it might have found something? Where there is nothing of its kind it could not. */
function isUnknown(outcome: CheckOutcome | undefined): boolean {
  if (!outcome) return true;
  switch (outcome.state) {
    case 'found':
    case 'nothing-found':
      return false;
    case 'not-applicable':
      return outcome.isMissing === true;
    case 'not-asked':
    case 'could-not-run':
    case 'switched-off':
      return true;
  }
}

function whyNotAsked(outcome: CheckOutcome | undefined): string | null {
  if (!outcome) return 'not looked at by the version of Currycomb that combed it; comb it again';
  switch (outcome.state) {
    case 'found':
    case 'nothing-found':
      return null;
    case 'not-applicable':
    case 'not-asked':
      return outcome.reason;
    case 'could-not-run':
      return `could not run: ${outcome.reason}`;
    case 'switched-off':
      return 'switched off in the house rules';
  }
}
