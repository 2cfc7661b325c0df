'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import styles from './stage-views.module.css';

export interface StageView {
  /** What follows the stage’s own address. */
  readonly key: string;
  readonly title: string;
}

interface StageViewsProps {
  readonly base: string;
  readonly views: readonly StageView[];
  /** The page of the guide that is about them. */
  readonly guide: string;
}

/** The views of one stage: the same work, looked at in several ways. */
export function StageViews({ base, views, guide }: StageViewsProps) {
  const path = usePathname();
  return (
    <nav aria-label="Views" className={styles.views}>
      {views.map(({ key, title }) => (
        <Link key={key} href={`${base}${key}`} aria-current={path === `${base}${key}` ? 'page' : undefined}>
          {title}
        </Link>
      ))}
      <span style={{ flex: 1 }} />
      <Link href={`/guide/${guide}`}>Guide</Link>
    </nav>
  );
}
