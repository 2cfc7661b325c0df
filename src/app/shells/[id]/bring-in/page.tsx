import { countUnused } from '@/services/shells/contents-list';
import { countFromBefore } from '@/services/next-time/next-time';
import { hostOfShell } from '@/services/hosts/host-records';
import { intakeOf, inventoryOf } from '@/services/shells/current-shell';
import { intakeGroups } from '@/services/shells/intake-groups';
import { InventoryView } from '@/ui/bring-in/inventory-view';
import { shellPage } from '../../shell-page';

export default shellPage((shell, context) => (
  <InventoryView
    id={shell.row.id}
    inventory={inventoryOf(shell.version)}
    intake={intakeGroups(intakeOf(shell.version))}
    term={{ start: shell.row.termStart, end: shell.row.termEnd }}
    unused={countUnused(context, shell)}
    combed={shell.audit !== null}
    host={hostOfShell(context, shell)}
    toLeaveOut={countFromBefore(context, shell)}
  />
));
