import styles from './key-hints.module.css';

/** What keys do here, each with its word. */
export function KeyHints({ keys }: { keys: readonly (readonly [keys: string, does: string])[] }) {
  return (
    <div className={styles.keys} aria-label="Keys">
      {keys.map(([names, does]) => (
        <span key={names}>
          {names.split(' ').map((name) => (
            <kbd key={name}>{name}</kbd>
          ))}{' '}
          {does}
        </span>
      ))}
    </div>
  );
}
