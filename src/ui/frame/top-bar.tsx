import Link from 'next/link';
import { NameMark } from '../marks/name-mark';
import { SchemeSwitch } from '../theme/scheme-switch';
import { PageTitle } from './page-title';

/** The bar of pages that belong to no shell, and the page's title. */
export function TopBar({ title }: { title: string }) {
  return (
    <header
      style={{
        display: 'flex',
        alignItems: 'center',
        gap: 12,
        padding: '12px 22px',
        background: 'var(--sheet)',
        borderBottom: '1px solid var(--line)',
      }}
    >
      <PageTitle title={title} />
      <Link
        href="/"
        style={{ display: 'inline-flex', alignItems: 'center', gap: 10, textDecoration: 'none' }}
      >
        <NameMark />
        <span style={{ fontFamily: "'Fraunces Variable', serif", fontWeight: 600, fontSize: '1.25rem' }}>
          Currycomb
        </span>
      </Link>
      <nav aria-label="Pages" style={{ display: 'flex', gap: 18, marginLeft: 18 }}>
        <Link href="/">Shells</Link>
        <Link href="/checks">Checks</Link>
        <Link href="/house-rules">House rules</Link>
        <Link href="/folder">Data folder</Link>
        <Link href="/guide">Guide</Link>
      </nav>
      <span style={{ flex: 1 }} />
      <SchemeSwitch />
    </header>
  );
}
