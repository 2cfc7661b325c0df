import Alert from '@mui/material/Alert';
import { plural } from '@/core/text/plural';
import type { TakenPlan } from '@/services/do/decide/plan-file';
import { HeldBack } from '../parts/held-back';

/** What came of a plan that was taken in: what was added, and what was not found here. */
export function TakenPlanNote({ taken, onClose }: { taken: TakenPlan; onClose: () => void }) {
  const done = taken.added.reduce((sum, one) => sum + one.done, 0);
  const notFound = taken.missing.map((title) => `“${title}”`).join(', ');
  return (
    <>
      <Alert severity={notFound || taken.unread.length ? 'warning' : 'success'} onClose={onClose}>
        {plural(done, 'change')} came into the plan.
        {notFound && ` Not found in this shell, by ref or by title and place: ${notFound}.`}
        {taken.unread.map((sentence) => (
          <div key={sentence}>{sentence}</div>
        ))}
      </Alert>
      <HeldBack held={taken.added.flatMap((one) => one.held)} onClose={onClose} />
    </>
  );
}
