'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
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
  /** The view that is open. */
  readonly children: ReactNode;
}

/** The views of one stage, above the one that is open: the bar stands still whichever that is. */
export function StageViews({ base, views, guide, children }: StageViewsProps) {
  const path = usePathname();
  return (
    <div className={styles.stage}>
      <nav aria-label="Views" className={styles.views}>
        {views.map(({ key, title }) => (
          <Link key={key} href={`${base}${key}`} aria-current={path === `${base}${key}` ? 'page' : undefined}>
            {title}
          </Link>
        ))}
        <span style={{ flex: 1 }} />
        <Link href={`/guide/${guide}`}>Guide</Link>
      </nav>
      {children}
    </div>
  );
}
