'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import { webStates, webStateTitles, type WebState } from '@/core/probe/web-answer';
import { plural } from '@/core/text/plural';
import type { LinkLine, ProbeView } from '@/services/show/probe/probe-view';
import { WorkTable } from '../../parts/work-table';
import type { WorkColumn } from '../../parts/work-rows';
import { ProbeControls } from './probe-controls';
import { StateCounts, type LookedState } from './state-counts';
import styles from './outside.module.css';

/** Where links lead out of the shell, and what answered there when it was asked. */
export function OutsideStage({ view }: { view: ProbeView }) {
  const { id, probed } = view;
  return (
    <div className={styles.page}>
      <div>
        <h1>{headingOf(view)}</h1>
        <p className="soft" style={{ margin: '4px 0 0', maxWidth: 780 }}>
          Asks the addresses outside that pages, files and events lead to: whether they answer, moved or are
          gone. It is the one thing in Currycomb that leaves this computer.{' '}
          <Link href="/guide/prove#the-link-probe">What each answer means</Link>
        </p>
      </div>
      <ProbeControls view={view} />
      {probed?.isStale && (
        <Alert severity="info">
          The shell was changed since. Links that came since then are not among these; ask again.
        </Alert>
      )}
      {view.findings > 0 && (
        <p style={{ margin: 0 }}>
          <Link href={`/shells/${id}/decide?check=outdated.dead-link`}>
            <span className="number">{plural(view.findings, 'finding')}</span> to decide on
          </Link>
          : dead links, and links that moved.
        </p>
      )}
      {probed && probed.links.length > 0 && <Answers links={probed.links} />}
    </div>
  );
}

function headingOf({ probed }: ProbeView): string {
  if (!probed) return 'The links to the outside were not probed yet';
  if (probed.links.length === 0) return 'No link leads out of this shell';
  const dead = probed.links.filter(({ answer }) => answer && isTrouble(answer.state)).length;
  const all = plural(probed.links.length, 'address', 'addresses');
  return dead === 0 ? `${all} outside, none of them dead` : `${dead} of ${all} outside want a look`;
}

const isTrouble = (state: WebState): boolean =>
  ['gone', 'no-host', 'bad-certificate', 'ended', 'says-gone', 'moved'].includes(state);

const columns: readonly WorkColumn<LinkLine>[] = [
  { key: 'url', title: 'Address', width: 'minmax(220px, 2fr)', text: ({ url }) => url },
  {
    key: 'state',
    title: 'Came to',
    width: '170px',
    text: ({ answer }) => (answer ? webStateTitles[answer.state] : 'Not asked yet'),
  },
  {
    key: 'says',
    title: 'What was seen',
    width: 'minmax(200px, 2fr)',
    text: ({ answer }) => answer?.says ?? '',
  },
  { key: 'places', title: 'Stands in', width: 'minmax(150px, 1.5fr)', text: sayPlaces },
  {
    key: 'asked',
    title: 'Asked',
    width: '110px',
    text: ({ answer }) => (answer ? new Date(answer.askedAt).toLocaleDateString('en-GB') : ''),
    order: ({ answer }) => answer?.askedAt ?? '',
  },
];

function sayPlaces({ places, uses }: LinkLine): string {
  const titles = places.map(({ title }) => title).join(', ');
  return uses > places.length ? `${titles} and ${uses - places.length} more` : titles;
}

/** The answers, by what they came to: every number leads to what it counts. */
function Answers({ links }: { links: readonly LinkLine[] }) {
  const [looked, setLooked] = useState<LookedState>(null);
  const rows = looked === null ? links : links.filter((link) => stateOf(link) === looked);
  const counts = new Map<WebState | 'not-asked', number>();
  for (const link of links) counts.set(stateOf(link), (counts.get(stateOf(link)) ?? 0) + 1);
  const states = [...webStates, 'not-asked' as const].filter((state) => counts.has(state));
  return (
    <>
      <StateCounts states={states} counts={counts} all={links.length} looked={looked} onLook={setLooked} />
      <WorkTable
        label="Addresses outside"
        rows={rows}
        keyOf={keyOf}
        columns={columns}
        actions={(chosen) => <CopyAddresses rows={chosen.length ? chosen : rows} />}
      />
    </>
  );
}

/** Takes addresses along, one a line: to ask a colleague, or to look at them by hand. */
function CopyAddresses({ rows }: { rows: readonly LinkLine[] }) {
  const [isCopied, setIsCopied] = useState(false);
  const copy = async () => {
    await navigator.clipboard.writeText(rows.map(({ url }) => url).join('\n'));
    setIsCopied(true);
  };
  return (
    <Button size="small" onClick={() => void copy()}>
      {isCopied ? 'Copied' : `Copy ${plural(rows.length, 'address', 'addresses')}`}
    </Button>
  );
}

const keyOf = ({ url }: LinkLine): string => url;
const stateOf = ({ answer }: LinkLine): WebState | 'not-asked' => answer?.state ?? 'not-asked';
