import { KeyHints } from '../parts/key-hints';
import styles from './decide.module.css';

const deciding = [
  ['A', 'accept'],
  ['L', 'leave be'],
  ['Q', 'ask'],
  ['W', 'later'],
] as const;
const moreKeys = [
  ['Shift ↓', 'choose the way down'],
  ['Shift ↑', 'choose the way up'],
  ['PageDown', 'ten on'],
  ['PageUp', 'ten back'],
  ['Home', 'the first one'],
  ['End', 'the last one'],
  ['/', 'find words'],
  ['Esc', 'choose none'],
] as const;
const reopening = [['U', 'open again']] as const;

/** What the keys do in the list, as far as they do something in it now. */
export function KeyHelp({ isOpen }: { isOpen: boolean }) {
  return (
    <div className={styles.keys}>
      <KeyHints
        keys={[
          ['↑ ↓', 'go'],
          ['Space', 'choose'],
          ['G', 'its group'],
          ...(isOpen ? deciding : reopening),
          ['Ctrl A', 'all'],
        ]}
        more={moreKeys}
      />
    </div>
  );
}
