import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import styles from '../rehearse/rehearse.module.css';

interface TakeAlongProps {
  readonly id: string;
  readonly combed: boolean;
  readonly hasEvents: boolean;
  readonly hasGrades: boolean;
}

/** Everything that can be downloaded of the shell as it stands; what there is nothing for says so. */
export function TakeAlong({ id, combed, hasEvents, hasGrades }: TakeAlongProps) {
  const address = (what: string) => `/api/shells/${id}/export?what=${what}`;
  const missing = [
    ...(hasEvents ? [] : ['it has no calendar']),
    ...(hasGrades ? [] : ['it has no grade setup']),
    ...(combed ? [] : ['there is no report before it is combed']),
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
        <Button variant="outlined" href={`/api/shells/${id}/report`} target="_blank" disabled={!combed}>
          The report
        </Button>
        <Button variant="text" href={`/shells/${id}/prove/part`}>
          Only a part of it
        </Button>
      </div>
      {missing.length > 0 && (
        <p className="soft" style={{ margin: '10px 0 0' }}>
          Not everything is to be had: {missing.join(', ')}.
        </p>
      )}
    </section>
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
