import Link from 'next/link';
import { notFound } from 'next/navigation';
import { familyTitles, urgencyTitles, type Family } from '@/core/checks/finding/finding';
import { checkById } from '@/core/checks/run/registry';
import { appContext } from '@/services/keep/desks/app-context';
import { checkFormOf, rulesView } from '@/services/show/rules/rules-view';
import { CheckSettingsCard } from '@/ui/house-rules/check-settings-card';
import { TopBar } from '@/ui/frame/top-bar';
import { FamilyShape } from '@/ui/marks/family-shape';

export const dynamic = 'force-dynamic';

export default async function CheckPage({ params }: { params: Promise<{ check: string }> }) {
  const check = checkById((await params).check);
  if (!check) notFound();
  const view = rulesView(appContext());
  const family = check.id.split('.')[0] as Family;
  const parts = [
    ['What it means', check.page.means],
    ['Why it matters', check.page.why],
    ['An example', check.page.example],
    ['What the remedy does', check.page.remedy],
    ['When it says nothing', check.page.notWhen],
  ] as const;
  return (
    <>
      <TopBar title={check.title} />
      <main id="main" style={{ padding: '20px 22px', maxWidth: 720, margin: '0 auto' }}>
        <p className="soft" style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
          <FamilyShape family={family} /> {familyTitles[family]} · {urgencyTitles[check.urgency]} ·{' '}
          <code>{check.id}</code>
        </p>
        <h1>{check.title}</h1>
        {parts.map(([heading, text]) => (
          <section key={heading}>
            <h2 style={{ marginTop: 20 }}>{heading}</h2>
            <p>{text}</p>
          </section>
        ))}
        <section aria-labelledby="settings">
          <h2 id="settings" style={{ margin: '20px 0 10px' }}>
            Its settings here
          </h2>
          <CheckSettingsCard check={checkFormOf(check)} kept={view.kept} shells={view.shells} />
        </section>
        <p>
          <Link href="/house-rules">All house rules</Link> · <Link href="/checks">All checks</Link>
        </p>
      </main>
    </>
  );
}
