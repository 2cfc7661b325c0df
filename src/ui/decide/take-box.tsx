import type { ListedFinding } from '@/core/checks/finding/finding';
import type { OtherWay } from '@/services/show/decide/evidence';
import { divisibleTargets } from './remedies';

/** What can be said of one thing of a finding: the remedy shall leave it alone, or it shall be the one that stays. */
export interface ThingChoice {
  readonly spared: ReadonlySet<string>;
  readonly spare: (refs: readonly string[]) => void;
  /** By thing, the remedy by which that one stays. */
  readonly keepers: ReadonlyMap<string, OtherWay>;
  readonly keep: (way: OtherWay) => void;
}

interface TakeBoxProps {
  readonly title: string;
  /** The things that the box is about: one, or all of a table. */
  readonly refs: readonly string[];
  readonly choice: ThingChoice;
}

/** Whether the remedy is taken for a thing, or for all of them. */
function TakeBox({ title, refs, choice: { spared, spare } }: TakeBoxProps) {
  const left = refs.filter((ref) => spared.has(ref));
  return (
    <input
      type="checkbox"
      aria-label={title}
      checked={left.length < refs.length}
      ref={(box) => {
        if (box) box.indeterminate = left.length > 0 && left.length < refs.length;
      }}
      onChange={() => spare(left.length > 0 ? left : refs)}
      style={{ width: 16, height: 16, accentColor: 'var(--chestnut)' }}
    />
  );
}

/** The head of the column of boxes: all of them at once; nothing where nothing can be chosen. */
export function TakeHead({ targets, choice }: { targets: ReadonlySet<string>; choice: ThingChoice | null }) {
  if (!choice || targets.size === 0) return null;
  return (
    <th scope="col">
      <TakeBox title="All of them" refs={[...targets]} choice={choice} />
    </th>
  );
}

/** The box of one thing; an empty cell for what the remedy is not about. */
export function TakeCell({
  title,
  thing,
  targets,
  choice,
}: {
  title: string;
  thing: string;
  targets: ReadonlySet<string>;
  choice: ThingChoice | null;
}) {
  if (!choice || targets.size === 0) return null;
  return <td>{targets.has(thing) && <TakeBox title={title} refs={[thing]} choice={choice} />}</td>;
}

/** The things of a finding that can be taken one by one, where something is still to be decided. */
export const choosable = (finding: ListedFinding, choice: ThingChoice | null): ReadonlySet<string> =>
  new Set(choice ? divisibleTargets(finding) : []);
