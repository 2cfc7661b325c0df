import { rulesView } from '@/services/house-rules/rules-view';
import { TopBar } from '@/ui/frame/top-bar';
import { HouseRulesForm } from '@/ui/house-rules/house-rules-form';
import { withContext } from '../with-context';

export const dynamic = 'force-dynamic';

export default function HouseRulesPage() {
  const view = withContext(rulesView);
  return (
    <>
      <TopBar title="House rules" />
      <main id="main" style={{ padding: '20px 22px', maxWidth: 1240, margin: '0 auto' }}>
        <h1>House rules</h1>
        <p style={{ maxWidth: 720 }}>
          What your department holds for right: which hosts and phrases are old, which titles mean material
          for staff, and how strict each check is. They can be exported and imported as one file, which the
          command line reads, too.
        </p>
        <HouseRulesForm {...view} />
      </main>
    </>
  );
}
