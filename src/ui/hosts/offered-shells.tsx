import Button from '@mui/material/Button';
import Link from 'next/link';
import type { OfferedShell } from '@/services/do/hosts/sign-in';
import styles from './hosts.module.css';

interface OfferedShellsProps {
  readonly shells: readonly OfferedShell[];
  readonly isBusy: boolean;
  readonly onRead: (shell: string) => void;
}

/** The shells that somebody has at a host; one that is here already is a way to it. */
export function OfferedShells({ shells, isBusy, onRead }: OfferedShellsProps) {
  if (shells.length === 0) return <p>You have no shell on this host.</p>;
  return (
    <table className={styles.table}>
      <thead>
        <tr>
          <th scope="col">Course</th>
          <th scope="col">Title</th>
          <th scope="col">Term</th>
          <th scope="col">You are</th>
          <th scope="col">Items</th>
          <th scope="col">
            <span className="unseen">Read it</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {shells.map(({ id, code, title, term, role, lines, here }) => (
          <tr key={id}>
            <th scope="row">{code}</th>
            <td>{title}</td>
            <td>{term}</td>
            <td>{role}</td>
            <td className="number">{lines.toLocaleString('en')}</td>
            <td>
              {here !== null && <Link href={`/shells/${here}/bring-in`}>{code} is here already</Link>}
              {here === null && (
                <Button variant="contained" size="small" disabled={isBusy} onClick={() => onRead(id)}>
                  Read {code}
                </Button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
