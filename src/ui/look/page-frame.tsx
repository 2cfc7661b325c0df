'use client';
import { useMemo, type SyntheticEvent } from 'react';
import { pageDocument } from './page-document';
import styles from './look.module.css';

interface PageFrameProps {
  readonly title: string;
  /** The page, cleaned. */
  readonly html: string;
  /** Sentences that are marked, the first of them in sight. */
  readonly words: readonly string[];
}

/** A page of the package in a frame in which nothing runs. */
export function PageFrame({ title, html, words }: PageFrameProps) {
  const page = useMemo(() => pageDocument(html, words), [html, words]);
  return (
    // No scripts, ever; being of our own origin lets us scroll it, and it nothing.
    <iframe
      className={styles.page}
      title={`${title}, as a page`}
      sandbox="allow-same-origin"
      srcDoc={page}
      onLoad={fitAndShowFirstMark}
    />
  );
}

/** A short page takes no more room than it needs, in pixels. */
const tallest = 320;

function fitAndShowFirstMark({ currentTarget }: SyntheticEvent<HTMLIFrameElement>): void {
  const page = currentTarget.contentDocument?.body;
  if (page) currentTarget.style.height = `${Math.min(tallest, page.offsetHeight + 34)}px`;
  const mark = currentTarget.contentDocument?.querySelector('mark');
  if (!mark) return;
  const top = mark.getBoundingClientRect().top - currentTarget.clientHeight / 3;
  currentTarget.contentWindow?.scrollTo(0, top);
}
