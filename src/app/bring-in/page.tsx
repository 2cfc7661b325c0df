import Link from 'next/link';
import { rememberedColumns } from '@/services/do/bring-in/sheet-columns';
import { houseTerms } from '@/services/keep/rules/house-rules';
import { BringInForm } from '@/ui/bring-in/bring-in-form';
import { TopBar } from '@/ui/frame/top-bar';
import { withContext } from '../with-context';

// What was said of columns is read anew at every visit.
export const dynamic = 'force-dynamic';

export default function BringInPage() {
  const known = withContext((context) => {
    // While files are chosen here, the threads that will read and show them load their programs.
    context.jobs.makeReady();
    context.stages.makeReady();
    return { remembered: rememberedColumns(context), terms: houseTerms(context) };
  });
  return (
    <>
      <TopBar title="Bring in a shell" />
      <main id="main" style={{ padding: '20px 22px', maxWidth: 1140, margin: '0 auto' }}>
        <h1>Bring in a shell</h1>
        <p style={{ margin: '6px 0 16px' }}>
          It stands on a campus host that you may sign in to?{' '}
          <Link href="/bring-in/from-host">Read it from there.</Link> Many of them lie in one folder?{' '}
          <Link href="/bring-in/many">Bring in the whole folder.</Link>
        </p>
        <BringInForm {...known} />
      </main>
    </>
  );
}
