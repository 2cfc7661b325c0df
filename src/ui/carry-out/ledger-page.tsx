'use client';
import { entryOf } from '@/core/entries';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { plural } from '@/core/text/plural';
import type { LedgerEntry, LedgerView } from '@/services/show/carry-out/ledger-view';
import { actionTitle } from '@/core/plan/action-title';
import { drawnFrom } from '../stage/drawn-stage';
import { outcomeWords } from './outcome-words';
import { TitleLine } from './title-line';
import styles from './ledger.module.css';

interface LedgerPageProps {
  readonly id: string;
  readonly view: LedgerView;
}

/** Everything that was done to the shell, over all its runs: searched, narrowed, taken along. */
export function LedgerPage({ id, view }: LedgerPageProps) {
  const { query, entries, total, actions, outcomes } = view;
  const asked = new URLSearchParams(Object.entries(query).map(([name, value]) => [name, String(value)]));
  return (
    <div className={styles.page}>
      <div className={styles.head}>
        <h1>{headlineOf(view)}</h1>
        <Button variant="outlined" href={`/api/shells/${id}/ledger?${asked}`}>
          Take along as CSV
        </Button>
        <Button variant="outlined" href={`/api/shells/${id}/ledger?${asked}&format=json`}>
          As JSON
        </Button>
      </div>
      <form className={styles.filter} action={`/shells/${id}/carry-out/ledger`}>
        <label>
          Words
          <input type="search" name="find" defaultValue={query.find} />
        </label>
        <Choice
          name="action"
          label="Operation"
          value={query.action}
          options={actions}
          words={actionWordsOf(actions)}
        />
        <Choice
          name="outcome"
          label="Outcome"
          value={query.outcome}
          options={outcomes}
          words={outcomeWords}
        />
        {query.ref !== '' && <input type="hidden" name="ref" value={query.ref} />}
        <Button type="submit" variant="contained">
          Show
        </Button>
        <Link href={`/shells/${id}/carry-out/ledger`}>All of it</Link>
        <Link href={`/shells/${id}/carry-out`}>Back to the runs</Link>
      </form>
      {entries.length === 0 ? (
        <p>Nothing in the ledger fits.</p>
      ) : (
        <EntryTable id={id} entries={entries} total={total} />
      )}
    </div>
  );
}

function headlineOf({ query: { ref }, entries, total, all }: LedgerView): string {
  const whole = `${plural(all, 'entry', 'entries')} in the ledger`;
  if (ref === '') return total === all ? whole : `${total.toLocaleString('en')} of ${whole}`;
  const title = entries.flatMap((entry) => entry.titles[entry.refs.indexOf(ref)] ?? [])[0] ?? ref;
  return `What was done to “${title}”`;
}

/** What was met on the way, as entries of the ledger. */
const hitchWords: Readonly<Record<string, string>> = {
  failed: 'Met: a failed request',
  'no-answer': 'Met: a lost answer',
  'too-fast': 'Met: a wait',
  'signed-out': 'Met: a new sign-in',
  stalled: 'Met: a job that stopped',
  'cut-off': 'Met: a job that was cut off',
  unsteady: 'Met: another reading',
  paused: 'Met: a pause',
};

const actionWordsOf = (actions: readonly string[]): Readonly<Record<string, string>> =>
  Object.fromEntries(actions.map((action) => [action, entryOf(hitchWords, action) ?? actionTitle(action)]));

interface ChoiceProps {
  readonly name: string;
  readonly label: string;
  readonly value: string;
  readonly options: readonly string[];
  readonly words: Readonly<Record<string, string>>;
}

function Choice({ name, label, value, options, words }: ChoiceProps) {
  return (
    <label>
      {label}
      <select name={name} defaultValue={value}>
        <option value="">all</option>
        {options.map((option) => (
          <option key={option} value={option}>
            {entryOf(words, option) ?? option}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Titles that stand in a line; each is a way to that thing’s own history. */
const shownTitles = 4;

function EntryTable({ id, entries, total }: { id: string; entries: readonly LedgerEntry[]; total: number }) {
  return (
    <table className={styles.table}>
      <thead>
        <tr>
          <th scope="col">Run</th>
          <th scope="col">Time</th>
          <th scope="col">Operation</th>
          <th scope="col">On</th>
          <th scope="col">Outcome</th>
        </tr>
      </thead>
      <tbody>
        {entries.map((entry, n) => (
          <tr key={n}>
            <td className="number">
              <Link href={`/shells/${id}/carry-out/ledger?run=${entry.run}`}>{entry.run}</Link>
            </td>
            <td className="number soft">
              <time dateTime={entry.at}>{new Date(entry.at).toLocaleString('en-GB')}</time>
            </td>
            <td>{entry.label}</td>
            <td>
              <TitleLine titles={entry.titles} shown={shownTitles}>
                {(title, at) => (
                  <Link
                    href={`/shells/${id}/carry-out/ledger?ref=${encodeURIComponent(entry.refs[at] ?? '')}`}
                  >
                    {title}
                  </Link>
                )}
              </TitleLine>
            </td>
            <td>
              {entryOf(outcomeWords, entry.outcome) ?? entry.outcome}
              {entry.reason && <span className="soft">: {entry.reason}</span>}
            </td>
          </tr>
        ))}
        {total > entries.length && (
          <tr>
            <td colSpan={5}>and {total - entries.length} more; narrow it, or take all of it along</td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

/** It asks for its view by itself. */
export const DrawnLedgerPage = drawnFrom(LedgerPage);
