import styles from './choice-box.module.css';

interface ChoiceBoxProps {
  readonly state: 'none' | 'some' | 'all';
  readonly onToggle: () => void;
}

/**
 * The box a mouse chooses with. It is drawn, not a form field: a list box holds options and a tree its items only, and
 * what is chosen is told by those (WAI-ARIA 1.2, listbox and tree); the keyboard has the keys of the list.
 */
export function ChoiceBox({ state, onToggle }: ChoiceBoxProps) {
  return (
    <span
      className={styles.choice}
      data-state={state}
      aria-hidden="true"
      onClick={(event) => {
        event.stopPropagation();
        onToggle();
      }}
    >
      <svg viewBox="0 0 16 16" width="16" height="16" focusable="false">
        {state === 'all' && <path d="M3.500 8.500 6.500 11.500 12.500 4.800" />}
        {state === 'some' && <path d="M4 8h8" />}
      </svg>
    </span>
  );
}
