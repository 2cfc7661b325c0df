import { rulesView } from '@/services/show/rules/rules-view';
import { TopBar } from '@/ui/frame/top-bar';
import { RuleSets } from '@/ui/house-rules/rule-sets';
import { HouseRulesForm } from '@/ui/house-rules/house-rules-form';
import { withContext } from '../with-context';

export const dynamic = 'force-dynamic';

interface HouseRulesPageProps {
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}

export default async function HouseRulesPage({ searchParams }: HouseRulesPageProps) {
  const { set } = await searchParams;
  const view = withContext((context) => rulesView(context, typeof set === 'string' ? set : undefined));
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
        <RuleSets set={view.set} sets={view.sets} />
        <HouseRulesForm key={view.set} {...view} />
      </main>
    </>
  );
}
