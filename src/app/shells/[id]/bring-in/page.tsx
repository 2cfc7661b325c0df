import { countUnused } from '@/services/shells/contents-list';
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
  />
));
