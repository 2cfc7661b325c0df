import { clothBackground, clothOf } from './cloth-pattern';
import styles from './small-cloth.module.css';

/** A shell's code on a small piece of its cloth: in lists and wherever something is about to change. */
export function SmallCloth({ code, title }: { code: string; title: string }) {
  return (
    <span className={styles.small} style={{ background: clothBackground(clothOf(code || title)) }}>
      {code || title}
    </span>
  );
}
