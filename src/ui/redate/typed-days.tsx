import type { TypedDay } from '@/core/redate/typed-days';
import { plural } from '@/core/text/plural';
import styles from './redate.module.css';

/** Days typed in the texts of what is shifted, each with its sentence, old and new. */
export function TypedDays({
  typed,
  isTaken,
  onTake,
}: {
  typed: readonly Pick<TypedDay, 'title' | 'sentence' | 'old' | 'new'>[];
  isTaken: boolean;
  onTake: (isTaken: boolean) => void;
}) {
  if (typed.length === 0) return null;
  return (
    <div>
      <label style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
        <input type="checkbox" checked={isTaken} onChange={(event) => onTake(event.target.checked)} />
        Change {plural(typed.length, 'day')} typed in their texts, too
      </label>
      <ul className={styles.typed}>
        {typed.map((day, k) => (
          <li key={k}>
            {before(day)}
            <del>{day.old}</del> <ins>{day.new}</ins>
            {after(day)} <span className="soft">· {day.title}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

const placeOf = (day: Pick<TypedDay, 'sentence' | 'old'>): number => day.sentence.indexOf(day.old);
const before = (day: Pick<TypedDay, 'sentence' | 'old'>): string =>
  day.sentence.slice(0, Math.max(0, placeOf(day)));
const after = (day: Pick<TypedDay, 'sentence' | 'old'>): string =>
  placeOf(day) < 0 ? '' : day.sentence.slice(placeOf(day) + day.old.length);
