import { intakeOf, inventoryOf } from '@/services/shells/current-shell';
import { InventoryView } from '@/ui/bring-in/inventory-view';
import { shellPage } from '../../shell-page';

export default shellPage((shell) => (
  <InventoryView
    id={shell.row.id}
    inventory={inventoryOf(shell.version)}
    intake={intakeOf(shell.version)}
    term={{ start: shell.row.termStart, end: shell.row.termEnd }}
    combed={shell.audit !== null}
  />
));
