import type { ResetArea } from '@/core/plan/areas/areas';
import type { Returns } from '@/core/plan/reset/reset-shell';
import type { ResetPreview } from '@/services/do/decide/reset-plan';
import type { ResetStart } from '@/services/show/decide/reset-start';
import { areaTitles } from './area-titles';
import styles from './reset.module.css';

interface AreaTableProps {
  readonly counts: ResetStart['counts'];
  readonly chosen: ReadonlySet<ResetArea>;
  readonly preview: ResetPreview | null;
  readonly onToggle: (area: ResetArea) => void;
}

/** The areas of the shell: what is in each now, what would be after it, and whether that can come back. */
export function AreaTable({ counts, chosen, preview, onToggle }: AreaTableProps) {
  const worked = new Map(preview?.areas.map((area) => [area.area, area]));
  return (
    <table className={styles.areas}>
      <thead>
        <tr>
          <th scope="col">Empty</th>
          <th scope="col">Now</th>
          <th scope="col">After</th>
          <th scope="col">Can it come back?</th>
        </tr>
      </thead>
      <tbody>
        {counts.map(({ area, now }) => {
          const isChosen = chosen.has(area);
          const outcome = isChosen ? worked.get(area) : undefined;
          return (
            <tr key={area} data-chosen={isChosen}>
              <th scope="row">
                <label>
                  <input type="checkbox" checked={isChosen} onChange={() => onToggle(area)} />{' '}
                  {areaTitles[area]}
                </label>
              </th>
              <td className="number">{now.toLocaleString('en')}</td>
              <td className="number">{(outcome?.after ?? now).toLocaleString('en')}</td>
              <td>{sayReturn(now, outcome?.returns)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function sayReturn(now: number, returns: Returns | undefined): string {
  if (now === 0) return '–';
  return returns === undefined ? 'stays' : returnWords[returns];
}

const returnWords = {
  returns: 'Yes, by taking the run back',
  'returns as new': 'Yes, made anew',
  'gone for good': 'Not the student work in it',
} as const;
