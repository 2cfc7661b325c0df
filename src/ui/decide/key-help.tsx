import styles from './decide.module.css';

/** What the keys do in the list, as far as they do something in it now. */
export function KeyHelp({ isOpen }: { isOpen: boolean }) {
  return (
    <div className={styles.keys} aria-label="Keys">
      <span>
        <kbd>↑</kbd> <kbd>↓</kbd> go
      </span>
      <span>
        <kbd>Space</kbd> choose
      </span>
      <span>
        <kbd>G</kbd> its group
      </span>
      {isOpen ? (
        <>
          <span>
            <kbd>A</kbd> accept
          </span>
          <span>
            <kbd>L</kbd> leave be
          </span>
        </>
      ) : (
        <span>
          <kbd>U</kbd> open again
        </span>
      )}
      <span>
        <kbd>Ctrl</kbd> <kbd>A</kbd> all
      </span>
    </div>
  );
}
