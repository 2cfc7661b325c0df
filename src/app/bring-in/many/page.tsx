import { houseTerms } from '@/services/keep/rules/house-rules';
import { TopBar } from '@/ui/frame/top-bar';
import { watchedView } from '@/services/do/watched/watched-folder';
import { WatchedFolder } from '@/ui/many-shells/watched-folder';
import { BringInMany } from '@/ui/many-shells/bring-in-many';
import { withContext } from '../../with-context';

export const dynamic = 'force-dynamic';

export default function BringInManyPage() {
  const { terms, watched } = withContext((context) => ({
    terms: houseTerms(context),
    watched: watchedView(context),
  }));
  return (
    <>
      <TopBar title="Bring in a folder of shells" />
      <main id="main" style={{ padding: '20px 22px', maxWidth: 1240, margin: '0 auto' }}>
        <h1>Bring in a folder of shells</h1>
        <p style={{ margin: '6px 0 16px', maxWidth: 760 }}>
          Choose a folder with packages. A side file belongs to NAME.imscc where it is called NAME.events.ics,
          NAME.previous-events.ics, NAME.status.csv, NAME.roster.zip or NAME.baseline.imscc; in a folder with
          one package any calendar or sheet belongs to that. You see whose is whose before anything is read.
        </p>
        <BringInMany terms={terms} />
        <WatchedFolder view={watched} />
      </main>
    </>
  );
}
