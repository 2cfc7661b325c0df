import { changeKinds, changeTitles } from '@/core/two-shells/change';
import type { CompareView } from '@/services/show/prove/compare-view';
import type { Looked } from './looked';
import styles from './compare.module.css';

interface DriftTableProps {
  readonly view: CompareView;
  readonly looked: Looked | null;
  readonly onLook: (looked: Looked) => void;
}

/** How far this shell and each of the others have gone apart; every number leads to what it counts. */
export function DriftTable({ view, looked, onLook }: DriftTableProps) {
  return (
    <div className={styles.scroll}>
      <table className={styles.table}>
        <caption className="unseen">What differs from each shell</caption>
        <thead>
          <tr>
            <th scope="col">Compared with</th>
            {changeKinds.map((kind) => (
              <th key={kind} scope="col">
                {changeTitles[kind]}
              </th>
            ))}
            <th scope="col">The same</th>
          </tr>
        </thead>
        <tbody>
          {view.compared.map(({ id, name, comparison }) => (
            <tr key={id}>
              <th scope="row">{name}</th>
              {changeKinds.map((kind) => (
                <td key={kind} className="number">
                  <button
                    type="button"
                    aria-pressed={looked?.shell === id && looked.kind === kind}
                    aria-label={`${changeTitles[kind]}, compared with ${name}: ${comparison.counts[kind]}`}
                    disabled={comparison.counts[kind] === 0}
                    onClick={() => onLook({ shell: id, kind })}
                  >
                    {comparison.counts[kind].toLocaleString('en')}
                  </button>
                </td>
              ))}
              <td className="number">{comparison.same.toLocaleString('en')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
