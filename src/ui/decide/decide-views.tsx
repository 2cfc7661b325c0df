'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import styles from './decide-views.module.css';

const views = [
  { key: '', title: 'Findings' },
  { key: '/outline', title: 'Outline' },
  { key: '/calendar', title: 'Calendar' },
  { key: '/re-date', title: 'Re-date' },
  { key: '/values', title: 'Values' },
] as const;

/** The views of the same work: what was found, the outline, the calendar, dates from term to term, values in a grid. */
export function DecideViews({ shellId }: { shellId: string }) {
  const path = usePathname();
  const base = `/shells/${shellId}/decide`;
  return (
    <nav aria-label="Views" className={styles.views}>
      {views.map(({ key, title }) => (
        <Link key={key} href={`${base}${key}`} aria-current={path === `${base}${key}` ? 'page' : undefined}>
          {title}
        </Link>
      ))}
    </nav>
  );
}
