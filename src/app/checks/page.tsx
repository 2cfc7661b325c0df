import Link from 'next/link';
import { families, familyTitles } from '@/core/checks/finding/finding';
import { allChecks } from '@/core/checks/run/registry';
import { TopBar } from '@/ui/frame/top-bar';
import { FamilyShape } from '@/ui/marks/family-shape';

export default function ChecksPage() {
  return (
    <>
      <TopBar title="Checks" />
      <main id="main" style={{ padding: '20px 22px', maxWidth: 860, margin: '0 auto' }}>
        <h1>What Currycomb looks for</h1>
        {families
          .filter((family) => allChecks.some((c) => c.id.startsWith(`${family}.`)))
          .map((family) => (
            <section key={family} aria-labelledby={family}>
              <h2 id={family} style={{ display: 'flex', gap: 10, alignItems: 'center', marginTop: 24 }}>
                <FamilyShape family={family} size={18} />
                {familyTitles[family]}
              </h2>
              <ul>
                {allChecks
                  .filter((c) => c.id.startsWith(`${family}.`))
                  .map((c) => (
                    <li key={c.id} style={{ margin: '8px 0' }}>
                      <Link href={`/checks/${c.id}`}>{c.title}</Link>: {c.page.means}
                    </li>
                  ))}
              </ul>
            </section>
          ))}
      </main>
    </>
  );
}
