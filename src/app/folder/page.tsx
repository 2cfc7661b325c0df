import { lastTroubles } from '@/services/keep/log/troubles';
import { dataFolder } from '@/services/keep/desks/app-context';
import { lastLook } from '@/services/do/storage/data-folder';
import { FolderStage } from '@/ui/folder/folder-stage';
import { TroubleList } from '@/ui/folder/trouble-list';
import { TopBar } from '@/ui/frame/top-bar';
import { withContext } from '../with-context';

export const dynamic = 'force-dynamic';

/** Where everything is kept, whether it is sound, and what went wrong lately. */
export default function FolderPage() {
  return (
    <>
      <TopBar title="Data folder" />
      <main id="main" style={{ padding: '20px 22px', maxWidth: 980, margin: '0 auto' }}>
        <h1>Data folder</h1>
        <p style={{ maxWidth: 720 }}>
          Everything that Currycomb keeps lies in <code>{dataFolder()}</code> on this computer: shells,
          decisions, runs and their restore points. A backup is that folder as one file.
        </p>
        <FolderStage look={lookOrNone()} />
        <TroubleList troubles={lastTroubles()} />
      </main>
    </>
  );
}

/** The page must open above all where the store does not. */
function lookOrNone() {
  try {
    return { state: 'known', look: withContext(lastLook) } as const;
  } catch (error) {
    return { state: 'closed', sentence: error instanceof Error ? error.message : '' } as const;
  }
}
