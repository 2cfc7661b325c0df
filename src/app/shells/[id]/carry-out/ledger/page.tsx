import { fitting, ledgerQuery, wholeLedger } from '@/services/carry-out/ledger-view';
import { LedgerPage } from '@/ui/carry-out/ledger-page';
import { shellPage } from '../../../shell-page';

/** So many entries are drawn; the files hold all of them. */
const mostShown = 500;

export default shellPage((shell, context, asked) => {
  const query = ledgerQuery.catch(ledgerQuery.parse({})).parse(asked);
  const all = wholeLedger(context, shell.row.id);
  const entries = fitting(all, query);
  return (
    <LedgerPage
      id={shell.row.id}
      query={query}
      entries={entries.slice(0, mostShown)}
      total={entries.length}
      actions={[...new Set(all.map(({ action }) => action))].sort()}
      outcomes={[...new Set(all.map(({ outcome }) => outcome))].sort()}
    />
  );
});
