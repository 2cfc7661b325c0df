'use client';
import { dateOf, spellDate, spellWeekday } from '@/core/dates/local-date';
import type { CalendarMark, CalendarView } from '@/services/show/decide/calendar-view';
import Button from '@mui/material/Button';
import type { WorkColumn } from '../parts/work-rows';
import { WorkTable } from '../parts/work-table';
import type { ChosenMarks } from './use-marks';

const kindWords = { event: 'event', due: 'due', closes: 'closes' } as const;
const keyOf = (mark: CalendarMark): string => mark.key;

/** The days one after another, as a list to filter, sort and choose from. */
export function DayList({ view, choice }: { view: CalendarView; choice: ChosenMarks }) {
  return (
    <WorkTable
      label="Dates, one after another"
      rows={view.marks}
      keyOf={keyOf}
      columns={columnsOf(choice)}
      actions={(rows, clear) => (
        <Button
          size="small"
          variant="outlined"
          disabled={rows.length === 0}
          onClick={() => {
            choice.toggle(rows);
            clear();
          }}
        >
          Choose {rows.length > 0 && rows.length}
        </Button>
      )}
    />
  );
}

const columnsOf = (choice: ChosenMarks): readonly WorkColumn<CalendarMark>[] => [
  {
    key: 'day',
    title: 'Day',
    width: '190px',
    text: ({ at }) => `${spellWeekday(dateOf(at)).slice(0, 3)} ${spellDate(dateOf(at))}`,
    order: ({ at }) => at,
  },
  { key: 'time', title: 'Time', width: '60px', text: (mark) => (mark.allDay ? '' : mark.at.slice(11, 16)) },
  { key: 'title', title: 'Title', width: 'minmax(140px, 2fr)', text: (mark) => mark.title },
  { key: 'kind', title: 'Kind', width: '70px', text: (mark) => kindWords[mark.kind] },
  { key: 'found', title: 'Found', width: 'minmax(140px, 3fr)', text: (mark) => mark.finding?.title ?? '' },
  { key: 'chosen', title: 'Chosen', width: '70px', text: (mark) => (choice.keys.has(mark.key) ? 'yes' : '') },
];
