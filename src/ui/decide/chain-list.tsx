import type { KeptChain } from '@/services/keep/findings/kept-findings';
import styles from './decide.module.css';

/** What leads to a thing, part by part; or that nothing in the outline does. */
export function ChainList({ chain, title, isItem }: { chain: KeptChain; title: string; isItem: boolean }) {
  if (chain.leads === null)
    return (
      <p className={styles.chainless}>
        Nothing in the outline links to “{title}”{!isItem && ' or shows it'}.
      </p>
    );
  return (
    <section aria-label={`What leads to ${title}`}>
      <ol className={styles.chain}>
        {chain.leads.map((part, n) => (
          <li key={n}>
            {part.path.length > 0 && <span className="soft">{part.path.join(' › ')} › </span>}
            <strong>{part.title}</strong>
            {part.isShown === false && <span className="soft"> (students don’t get it)</span>}
            {part.leads !== null && <span className="soft"> {part.leads}</span>}
          </li>
        ))}
      </ol>
    </section>
  );
}
