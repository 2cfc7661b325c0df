'use client';
import Button from '@mui/material/Button';
import { seriesOfRef } from '@/core/time/series-ref';
import type { CalendarMark, CalendarView } from '@/services/show/decide/calendar-view';
import { HeldBack } from '../parts/held-back';
import { usePlanEdit } from '../parts/use-plan-edit';
import type { GestureStep } from '@/core/outline/gesture';
import { RedateChosen } from '../redate/redate-chosen';
import { stepsToEnd, stepsToRemove, stepToDropLinks } from './calendar-model';
import type { ChosenMarks } from './use-marks';
import { WeekdayMove } from './weekday-move';
import styles from './calendar.module.css';

/** What can be done with the chosen dates; each button says how many it touches. */
export function CalendarActions({ view, choice }: { view: CalendarView; choice: ChosenMarks }) {
  const plan = usePlanEdit(view.id);
  const { chosen } = choice;
  const removing = stepsToRemove(chosen);
  const ending = stepsToEnd(view, chosen);
  const dropping = stepToDropLinks(chosen);
  const run = async (words: string, steps: readonly GestureStep[]) => {
    const ids = await plan.add(words, steps);
    if (ids.length > 0) choice.clear();
  };
  const ended = ending.reduce((sum, step) => sum + step.targets.length, 0);
  return (
    <div className={styles.actions}>
      <HeldBack held={plan.held} onClose={plan.forgetHeld} />
      <div className={styles.buttons} role="group" aria-label="What to do with the chosen dates">
        <Button
          variant="contained"
          disabled={removing.length === 0 || plan.isBusy}
          onClick={() =>
            void run(
              removing[0]?.words ?? 'Delete',
              removing.map(({ step }) => step),
            )
          }
        >
          Delete {chosen.length > 0 && chosen.length.toLocaleString('en')}
        </Button>
        <RedateChosen shellId={view.id} refs={seriesOf(view, chosen)} size="medium" />
        <WeekdayMove shellId={view.id} refs={seriesOf(view, chosen)} plan={plan} onDone={choice.clear} />
        <Button
          variant="outlined"
          disabled={dropping === null || plan.isBusy}
          onClick={() => dropping && void run('Drop the link of', [dropping])}
        >
          Drop the link {dropping && `of ${dropping.targets.length}`}
        </Button>
        <Button
          variant="outlined"
          disabled={ended === 0 || plan.isBusy}
          title="On the day before the first chosen date"
          onClick={() => void run('End', ending)}
        >
          End {ended > 0 && ended} series here
        </Button>
      </div>
      <span className="soft">Goes into the plan; nothing is changed yet.</span>
    </div>
  );
}

/** The refs of the chosen things; a changed date of a series is moved with its series. */
function seriesOf(view: CalendarView, chosen: readonly CalendarMark[]): readonly string[] {
  const known = new Set(view.marks.map((mark) => mark.ref));
  const refs = chosen.map(({ ref }) => {
    const series = seriesOfRef(ref);
    return known.has(series) ? series : ref;
  });
  return [...new Set(refs)];
}
