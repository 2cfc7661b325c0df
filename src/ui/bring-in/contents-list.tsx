'use client';
import type { ContentsLine, ContentsView } from '@/services/show/shells/contents-list';
import { WorkTable } from '../parts/work-table';
import type { WorkColumn } from '../parts/work-rows';
import { ThingActions } from './thing-actions';
import { drawnFrom } from '../stage/drawn-stage';
import styles from './inventory.module.css';

const title: Column = {
  key: 'title',
  title: 'Title',
  width: 'minmax(160px, 3fr)',
  text: (line) => line.title,
};
const others: readonly Column[] = [
  { key: 'place', title: 'Place', width: 'minmax(100px, 2fr)', text: (line) => line.path.join(' › ') },
  { key: 'kind', title: 'Kind', width: 'minmax(70px, 110px)', text: (line) => line.kind },
  { key: 'students', title: 'Students', width: 'minmax(70px, 110px)', text: (line) => line.students },
  { key: 'day', title: 'Date', width: '130px', text: (line) => line.day },
  {
    key: 'note',
    title: 'More',
    width: 'minmax(80px, 190px)',
    text: (line) => line.note,
    order: (line) => line.bytes ?? line.note,
  },
  { key: 'planned', title: 'In the plan', width: '110px', text: (line) => line.planned },
];
type Column = WorkColumn<ContentsLine>;

const keyOf = (line: ContentsLine): string => `${line.type} ${line.ref}`;

/** The things behind a number, all of them, however many, and what can be done with them. */
export function ContentsList({
  id,
  view,
  find,
}: {
  id: string;
  view: ContentsView;
  /** What the list is filtered by when it opens. */
  find: string;
}) {
  const { heading, lines, modules } = view;
  const columns = [title, ...others.filter((column) => lines.some((line) => column.text(line) !== ''))];
  return (
    <div className={styles.page}>
      <div>
        <h1>
          {heading} <span className="soft number">{lines.length.toLocaleString('en')}</span>
        </h1>
      </div>
      {lines.length === 0 ? (
        <p>There are none.</p>
      ) : (
        <WorkTable
          label={heading}
          find={find}
          rows={lines}
          keyOf={keyOf}
          columns={columns}
          actions={(chosen, clear) => (
            <ThingActions shellId={id} lines={lines} modules={modules} chosen={chosen} onDone={clear} />
          )}
        />
      )}
    </div>
  );
}

/** It asks for its view by itself. */
export const DrawnContentsList = drawnFrom(ContentsList);
