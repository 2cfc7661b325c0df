import Button from '@mui/material/Button';
import { listRuleSets } from '@/services/do/rules/rule-sets';
import { listShells } from '@/services/show/shells/shell-list';
import { BringInDemo } from '@/ui/shells/demo-shells';
import { TopBar } from '@/ui/frame/top-bar';
import { ShellTable } from '@/ui/shells/shell-table';
import { withContext } from './with-context';

export const dynamic = 'force-dynamic';

export default function ShellsPage() {
  const { shells, sets } = withContext((context) => ({
    shells: listShells(context),
    sets: listRuleSets(context),
  }));
  return (
    <>
      <TopBar title="Shells" />
      <main id="main" style={{ padding: '20px 22px', maxWidth: 1400, margin: '0 auto' }}>
        <div style={{ display: 'flex', alignItems: 'center', gap: 16 }}>
          <h1 style={{ flex: 1 }}>Shells</h1>
          <Button variant="contained" href="/bring-in">
            Bring in a shell
          </Button>
        </div>
        {shells.length ? (
          <ShellTable shells={shells} sets={sets} />
        ) : (
          <div style={{ marginTop: 40, maxWidth: 560 }}>
            <h2>No shell has been brought in yet</h2>
            <p>
              Export the course from your campus system as a Common Cartridge (.imscc), and its calendar as
              .ics if you can. Then bring both in: Currycomb reads them, says what does not belong, and
              changes nothing until you have seen a rehearsal.
            </p>
            <p>
              To look around first, take the shells of an invented college: one that was copied from last
              term, one that came from another system, one that is well kept, and one that is nearly empty.
            </p>
            <BringInDemo />
          </div>
        )}
      </main>
    </>
  );
}
