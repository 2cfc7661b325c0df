import Link from 'next/link';
import styles from './guide.module.css';

interface GuideProps {
  readonly pages: readonly { readonly name: string; readonly title: string }[];
  readonly page: string;
  /** What the page says, made from our own documentation. */
  readonly html: string;
}

/** A page of the guide, with the others beside it. */
export function Guide({ pages, page, html }: GuideProps) {
  return (
    <div className={styles.guide}>
      <nav aria-label="Pages of the guide">
        {pages.map(({ name, title }) => (
          <Link key={name} href={`/guide/${name}`} aria-current={name === page ? 'page' : undefined}>
            {title}
          </Link>
        ))}
      </nav>
      <article className={styles.page} dangerouslySetInnerHTML={{ __html: html }} />
    </div>
  );
}
