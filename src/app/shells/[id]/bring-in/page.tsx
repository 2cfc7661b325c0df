import { intakeOf, inventoryOf } from '@/services/shells/current-shell';
import { InventoryView } from '@/ui/bring-in/inventory-view';
import { shellOfPage, type ShellPageProps } from '../../shell-page';

export default async function BringInStage({ params }: ShellPageProps) {
  const { shell } = await shellOfPage(params);
  return (
    <InventoryView
      id={shell.row.id}
      inventory={inventoryOf(shell.version)}
      intake={intakeOf(shell.version)}
      combed={shell.audit !== null}
    />
  );
}
