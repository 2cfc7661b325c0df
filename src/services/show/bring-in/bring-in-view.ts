import type { Inventory } from '@/core/inventory/inventory';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { hostOfShell, type HostView } from '@/services/keep/hosts/host-records';
import { countFromBefore } from '@/services/do/next-time/next-time';
import { countUnused } from '@/services/show/shells/contents-list';
import { intakeOf, inventoryOf, type CurrentShell } from '@/services/keep/shells/current-shell';
import { intakeGroups, type IntakeGroup } from '@/services/keep/shells/kept-intake';

/** What the Bring in stage shows of a shell. */
export interface BringInView {
  readonly id: string;
  readonly inventory: Inventory;
  readonly intake: readonly IntakeGroup[];
  readonly term: { readonly start: string | null; readonly end: string | null };
  /** How many items students see that nobody used for this term. */
  readonly unused: number;
  readonly combed: boolean;
  /** The campus host that it stands on. */
  readonly host: HostView | null;
  /** How many things an earlier shell of this course left word of, as not to be copied again. */
  readonly toLeaveOut: number;
}

export function bringInView(folder: OpenFolder, shell: CurrentShell): BringInView {
  const inventory = inventoryOf(shell.version);
  return {
    id: shell.row.id,
    inventory,
    intake: intakeGroups(intakeOf(folder, shell.version).intake),
    term: { start: shell.row.termStart, end: shell.row.termEnd },
    unused: inventory.unused ?? countUnused(folder, shell),
    combed: shell.audit !== null,
    host: hostOfShell(folder, shell),
    toLeaveOut: countFromBefore(folder, shell),
  };
}
