import Link from 'next/link';
import type { AskedCheck, OpeningAnswer, OpeningState } from '@/core/opening-day/opening-day';
import { plural } from '@/core/text/plural';
import type { OpeningDayView } from '@/services/show/prove/opening-day-view';
import styles from './opening-day.module.css';

/** What has to be true when students come in: each line asked of the shell, each a way to what is in its way. */
export function OpeningDay({ view }: { view: OpeningDayView }) {
  const { id, answers, askedAt } = view;
  return (
    <div className={styles.page}>
      <div>
        <h1>{headingOf(view)}</h1>
        <p className="soft" style={{ margin: '4px 0 0' }}>
          {askedAt === null ? (
            <>
              Nothing was asked of this shell yet. <Link href={`/shells/${id}/comb`}>Comb it</Link>
            </>
          ) : (
            <>
              Asked <time dateTime={askedAt}>{new Date(askedAt).toLocaleString('en-GB')}</time>. What you left
              be counts as settled. <Link href={`/shells/${id}/prove/student`}>See it as a student</Link>
            </>
          )}
        </p>
      </div>
      {askedAt !== null && (
        <ol className={styles.lines} aria-label="Opening day">
          {answers.map((answer) => (
            <Line key={answer.id} view={view} answer={answer} />
          ))}
        </ol>
      )}
    </div>
  );
}

function headingOf({ answers, askedAt, title }: OpeningDayView): string {
  if (askedAt === null) return 'Not combed yet';
  const inTheWay = answers.filter(({ state }) => state === 'no').length;
  const unknown = answers.filter(({ state }) => state === 'not-asked' || state === 'partly').length;
  if (inTheWay > 0) return `${plural(inTheWay, 'line')} of ${answers.length} in the way of opening day`;
  if (unknown > 0) return `Nothing found so far; ${plural(unknown, 'line')} not checked, or only in part`;
  return `${title} is ready for students`;
}

/** A tick, a number in the way, a question mark: told apart by form and by word. */
const marks: Readonly<Record<OpeningState, { readonly sign: string; readonly says: string }>> = {
  yes: { sign: '✓', says: 'In order' },
  no: { sign: '×', says: 'In the way' },
  partly: { sign: '?', says: 'In part' },
  'not-asked': { sign: '?', says: 'Not checked' },
};

function Line({ view, answer }: { view: OpeningDayView; answer: OpeningAnswer }) {
  const { sign, says } = marks[answer.state];
  const asked = answer.checks.filter(({ notAsked }) => notAsked === null).length;
  const settled = answer.checks.filter((check) => !saysMore(check));
  return (
    <li data-state={answer.state} data-line={answer.id}>
      <span className={styles.mark}>
        <span aria-hidden="true">{sign}</span> {says}
      </span>
      <div>
        <h2>{answer.title}</h2>
        <ul className={styles.checks}>
          {answer.checks.filter(saysMore).map((check) => (
            <li key={check.check}>
              <CheckAnswer view={view} check={check} />
            </li>
          ))}
          {settled.length > 0 && (
            <li className="soft" title={settled.map(({ title }) => title).join(', ')}>
              {plural(settled.length, 'check')} found nothing
            </li>
          )}
        </ul>
      </div>
      <span className="soft number">
        {asked} of {answer.checks.length} asked
      </span>
    </li>
  );
}

/** A check with something open, or that did not look. */
const saysMore = ({ open, notAsked }: AskedCheck): boolean => open > 0 || notAsked !== null;

function CheckAnswer({ view, check }: { view: OpeningDayView; check: AskedCheck }) {
  const { id, inParts } = view;
  if (check.open > 0) {
    const list = inParts.includes(check.check) ? '&state=parts' : '';
    return (
      <Link href={`/shells/${id}/decide?check=${check.check}${list}`}>
        <span className="number">{check.open.toLocaleString('en')}</span> · {check.title}
      </Link>
    );
  }
  const said = `${check.title}: ${check.notAsked}`;
  return isProbed(check) ? (
    <Link href={`/shells/${id}/prove/outside`}>{said}</Link>
  ) : (
    <span className="soft">{said}</span>
  );
}

/** A check whose answers come from the link probe, which has a view of its own. */
const isProbed = ({ check }: AskedCheck): boolean => check === 'outdated.dead-link';
