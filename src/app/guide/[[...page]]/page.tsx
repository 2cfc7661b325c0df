import { notFound } from 'next/navigation';
import { guideHtml, guidePages, isGuidePage } from '@/services/show/guide/guide-page';
import { TopBar } from '@/ui/frame/top-bar';
import { Guide } from '@/ui/guide/guide';

interface GuidePageProps {
  readonly params: Promise<{ readonly page?: readonly string[] }>;
}

export default async function GuidePage({ params }: GuidePageProps) {
  const name = (await params).page?.join('/') ?? '';
  if (!isGuidePage(name)) notFound();
  const pages = Object.entries(guidePages).map(([page, title]) => ({ name: page, title }));
  return (
    <>
      <TopBar title={guidePages[name]} />
      <main id="main" style={{ padding: '20px 22px', maxWidth: 1140, margin: '0 auto' }}>
        <Guide pages={pages} page={name} html={guideHtml(name)} />
      </main>
    </>
  );
}
