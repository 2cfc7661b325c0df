import { DrawnLedgerPage } from '@/ui/carry-out/ledger-page';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell, _, query) => (
  <DrawnLedgerPage id={shell.row.id} source={stageSource(shell, 'ledger', query)} />
));
