'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { familyTitles } from '@/core/checks/finding';
import { plural } from '@/core/text/plural';
import type { Comparison } from '@/services/prove/comparison';
import { Coat } from '../coat/coat';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import { FamilyShape } from '../marks/family-shape';
import styles from '../rehearse/rehearse.module.css';

interface ProofProps {
  readonly id: string;
  readonly combed: boolean;
  readonly percent: number | null;
  readonly open: number;
  readonly hasRun: boolean;
  readonly hasEvents: boolean;
  readonly hasGrades: boolean;
  readonly comparison: Comparison | null;
}

/** Is it clean, and can it be shown? The findings before and after, and everything to take along. */
export function ProofStage(props: ProofProps) {
  const { id, comparison, percent } = props;
  const router = useRouter();
  const comb = useJob(() => router.refresh(), { shellId: id, kind: 'comb' });
  const started = useRef(false);
  const { start } = comb;
  // After a run its result is combed by itself; this catches the moment in which that has not ended yet.
  const waiting = !props.combed;
  useEffect(() => {
    if (!waiting || started.current) return;
    started.current = true;
    void start(`/api/shells/${id}/comb`);
  }, [waiting, start, id]);
  const headingWords = () => {
    if (percent === null) return 'Not combed yet';
    if (comparison) return `${comparison.before.smoothness.percent} % smooth before, ${percent} % now`;
    return props.open === 0 ? 'It lies smooth' : `${percent} % smooth; ${plural(props.open, 'finding')} open`;
  };
  const comparedWords = () => {
    if (comparison) {
      const { closed, caused, leftOver, after } = comparison;
      const rest = leftOver.length ? `, ${leftOver.length} of them what is left of earlier ones` : '';
      return `${plural(closed.length, 'finding')} closed, ${caused.length} came up, ${after.findings.length} still open${rest}.`;
    }
    return props.hasRun
      ? 'The result is compared with what was before as soon as it has been combed.'
      : 'Nothing has been carried out yet, so there is nothing to compare.';
  };
  return (
    <div className={styles.page}>
      <div style={{ display: 'flex', gap: 14, alignItems: 'start', flexWrap: 'wrap' }}>
        <div style={{ flex: 1 }}>
          <h1>{headingWords()}</h1>
          <p className="soft" style={{ margin: '4px 0 0' }}>
            {comparedWords()}
          </p>
        </div>
        <Button variant="outlined" onClick={() => void start(`/api/shells/${id}/comb`)}>
          {props.combed ? 'Comb again' : 'Comb'}
        </Button>
      </div>
      <JobProgress job={comb} label="Combing" />
      <section className={styles.card} aria-labelledby="take">
        <h2 id="take">Take along</h2>
        <p className="soft" style={{ margin: '2px 0 10px' }}>
          As it stands now. Files that were not changed are byte for byte what you brought in.
        </p>
        <div style={{ display: 'flex', gap: 10, flexWrap: 'wrap' }}>
          <Button
            variant="contained"
            href={`/api/shells/${id}/export?what=package`}
            download
            data-testid="download-package"
          >
            The clean package (.imscc)
          </Button>
          <Button
            variant="outlined"
            href={`/api/shells/${id}/export?what=events`}
            download
            disabled={!props.hasEvents}
          >
            The calendar (.ics)
          </Button>
          <Button variant="outlined" href={`/api/shells/${id}/export?what=due-dates`} download>
            With due dates (.ics)
          </Button>
          <Button
            variant="outlined"
            href={`/api/shells/${id}/export?what=grades`}
            download
            disabled={!props.hasGrades}
          >
            The grade setup (OneRoster CSV)
          </Button>
          <Button variant="outlined" href={`/api/shells/${id}/export?what=status`} download>
            The status sheet (.csv)
          </Button>
          <Button
            variant="outlined"
            href={`/api/shells/${id}/report`}
            target="_blank"
            disabled={!props.combed}
          >
            The report
          </Button>
          <Button variant="text" href={`/shells/${id}/prove/part`}>
            Only a part of it
          </Button>
        </div>
      </section>
      {comparison && (
        <>
          <div className={styles.twice}>
            <section className={styles.card} aria-labelledby="was">
              <h2 id="was">
                Before <span className="soft number">{comparison.before.findings.length} findings</span>
              </h2>
              <Coat
                sketch={comparison.before.sketch}
                findings={comparison.before.findings}
                label="The Coat before"
              />
            </section>
            <section className={styles.card} aria-labelledby="now">
              <h2 id="now">
                Now <span className="soft number">{comparison.after.findings.length} findings</span>
              </h2>
              <Coat
                sketch={comparison.after.sketch}
                findings={comparison.after.findings}
                label="The Coat now"
                onOpen={(f) => router.push(`/shells/${id}/decide?finding=${f}`)}
              />
            </section>
          </div>
          <section className={styles.card} aria-labelledby="families">
            <h2 id="families">Findings by family</h2>
            <table className={styles.table}>
              <thead>
                <tr>
                  <th scope="col">Family</th>
                  <th scope="col">Before</th>
                  <th scope="col">Now</th>
                </tr>
              </thead>
              <tbody>
                {comparison.byFamily
                  .filter((f) => f.before + f.after > 0)
                  .map((f) => (
                    <tr key={f.family}>
                      <td>
                        <span style={{ display: 'inline-flex', gap: 8, alignItems: 'center' }}>
                          <FamilyShape family={f.family} /> {familyTitles[f.family]}
                        </span>
                      </td>
                      <td className="number">{f.before}</td>
                      <td className="number">
                        {f.after ? (
                          <Link href={`/shells/${id}/decide?family=${f.family}`}>{f.after}</Link>
                        ) : (
                          0
                        )}
                      </td>
                    </tr>
                  ))}
              </tbody>
            </table>
            {comparison.caused.length > 0 && (
              <>
                <h3 style={{ marginTop: 14 }}>Came up since</h3>
                <ul>
                  {comparison.caused.map((f) => (
                    <li key={f.id}>
                      <Link href={`/shells/${id}/decide?finding=${f.id}`}>{f.title}</Link>
                    </li>
                  ))}
                </ul>
              </>
            )}
          </section>
        </>
      )}
    </div>
  );
}
