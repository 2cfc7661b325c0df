import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import styles from '../rehearse/rehearse.module.css';

interface TakeAlongProps {
  readonly id: string;
  readonly combed: boolean;
  readonly hasRun: boolean;
  readonly hasEvents: boolean;
  readonly hasGrades: boolean;
}

/** Everything that can be downloaded of the shell as it stands; what there is nothing for says so. */
export function TakeAlong({ id, combed, hasRun, hasEvents, hasGrades }: TakeAlongProps) {
  const address = (what: string) => `/api/shells/${id}/export?what=${what}`;
  const missing = [
    ...(hasEvents ? [] : ['it has no calendar']),
    ...(hasGrades ? [] : ['it has no grade setup']),
  ];
  return (
    <section className={styles.card} aria-labelledby="take">
      <h2 id="take">Take along</h2>
      <p className="soft" style={{ margin: '2px 0 10px' }}>
        As it stands now. Files that were not changed are byte for byte what you brought in.
      </p>
      <div style={{ display: 'flex', gap: 10, flexWrap: 'wrap' }}>
        <Button variant="contained" href={address('package')} download data-testid="download-package">
          The clean package (.imscc)
        </Button>
        <Download href={address('events')} isThere={hasEvents}>
          The calendar (.ics)
        </Download>
        <Download href={address('due-dates')}>With due dates (.ics)</Download>
        <Download href={address('grades')} isThere={hasGrades}>
          The grade setup (OneRoster CSV)
        </Download>
        <Download href={address('status')}>The status sheet (.csv)</Download>
        <Button variant="text" href={`/shells/${id}/prove/part`}>
          Only a part of it
        </Button>
      </div>
      <Reports id={id} combed={combed} hasRun={hasRun} />
      {missing.length > 0 && (
        <p className="soft" style={{ margin: '10px 0 0' }}>
          Not everything is to be had: {missing.join(', ')}.
        </p>
      )}
    </section>
  );
}

const reports = [
  { of: 'audit', title: 'What was found', needs: 'combed' },
  { of: 'run', title: 'What the last run did', needs: 'hasRun' },
  { of: 'sign-off', title: 'To be signed', needs: 'combed' },
] as const;
const forms = [
  { as: 'xlsx', title: 'workbook (.xlsx)' },
  { as: 'csv', title: 'CSV' },
  { as: 'json', title: 'JSON' },
] as const;

/** Each report as a page that prints well, and for spreadsheets and programs. */
function Reports({ id, ...has }: Pick<TakeAlongProps, 'id' | 'combed' | 'hasRun'>) {
  const address = (of: string, as: string) => `/api/shells/${id}/report?of=${of}&as=${as}`;
  return (
    <table className={styles.table} style={{ marginTop: 12 }}>
      <caption className="unseen">Reports</caption>
      <tbody>
        {reports.map(({ of, title, needs }) => (
          <tr key={of}>
            <th scope="row">{title}</th>
            {has[needs] ? (
              <>
                <td>
                  <a href={address(of, 'html')} target="_blank" rel="noreferrer">
                    page to print
                  </a>
                </td>
                {forms.map((form) => (
                  <td key={form.as}>
                    <a href={address(of, form.as)} download>
                      {form.title}
                    </a>
                  </td>
                ))}
              </>
            ) : (
              <td colSpan={4} className="soft">
                {needs === 'combed' ? 'after it is combed' : 'after something is carried out'}
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface DownloadProps {
  readonly href: string;
  readonly isThere?: boolean;
  readonly children: ReactNode;
}

function Download({ href, isThere = true, children }: DownloadProps) {
  return (
    <Button variant="outlined" href={href} download disabled={!isThere}>
      {children}
    </Button>
  );
}
