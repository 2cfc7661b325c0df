import type { PackageGroup } from '@/core/many-shells/package-groups';
import { sideFiles, type SideFile } from '@/core/many-shells/side-files';
import styles from './many.module.css';

const sideWords: Readonly<Record<SideFile, string>> = {
  events: 'Calendar',
  previousEvents: 'Last term’s calendar',
  status: 'Status sheet',
  roster: 'Grade setup',
  baseline: 'Baseline',
};

interface GroupTableProps {
  readonly groups: readonly PackageGroup[];
  /** Packages that shall not be brought in. */
  readonly left: ReadonlySet<string>;
  readonly codeOf: (group: PackageGroup) => string;
  readonly troubleOf: (group: PackageGroup) => string | null;
  readonly onToggle: (path: string) => void;
  readonly onCode: (path: string, code: string) => void;
}

/** Each package with what belongs to it, to be left out or given another code before anything is read. */
export function GroupTable({ groups, left, codeOf, troubleOf, onToggle, onCode }: GroupTableProps) {
  return (
    <div className={styles.scroll} tabIndex={0} role="region" aria-label="Whose file is whose">
      <table className={styles.table}>
        <caption className="unseen">Packages and their side files</caption>
        <thead>
          <tr>
            <th scope="col">Bring in</th>
            <th scope="col">Package</th>
            <th scope="col">Course code</th>
            <th scope="col">Side files</th>
          </tr>
        </thead>
        <tbody>
          {groups.map((group) => {
            const path = group.package;
            const trouble = troubleOf(group);
            return (
              <tr key={path} data-left={left.has(path)}>
                <td>
                  <input
                    type="checkbox"
                    checked={!left.has(path)}
                    onChange={() => onToggle(path)}
                    aria-label={`Bring in ${path}`}
                  />
                </td>
                <td>
                  {path}
                  {trouble !== null && <span className={styles.trouble}>{trouble}</span>}
                </td>
                <td>
                  <input
                    className={styles.code}
                    value={codeOf(group)}
                    placeholder="HYD 214"
                    aria-label={`Course code of ${path}`}
                    onChange={(event) => onCode(path, event.target.value)}
                  />
                </td>
                <td>
                  <SideFiles group={group} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function SideFiles({ group }: { group: PackageGroup }) {
  const there = sideFiles.filter((side) => group.sides[side] !== undefined);
  if (!there.length) return <span className="soft">none</span>;
  return (
    <ul className={styles.sides}>
      {there.map((side) => (
        <li key={side} title={group.sides[side]}>
          {sideWords[side]}: {nameOf(group.sides[side] ?? '')}
        </li>
      ))}
    </ul>
  );
}

const nameOf = (path: string): string => path.slice(path.lastIndexOf('/') + 1);
