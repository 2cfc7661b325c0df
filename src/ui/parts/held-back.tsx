import Alert from '@mui/material/Alert';
import type { AddedStep } from '@/services/do/decide/change-plan';

/** What guards keep out of the plan, each with its reason and the way out. */
export function HeldBack({ held, onClose }: { held: AddedStep['held']; onClose: () => void }) {
  if (held.length === 0) return null;
  return (
    <Alert severity="warning" onClose={onClose} sx={{ width: '100%' }}>
      Held back, and not in the plan:
      <ul style={{ margin: '4px 0 0', paddingLeft: 18, maxHeight: 160, overflow: 'auto' }}>
        {held.map(({ reason, titles }) => (
          <li key={reason}>
            {titles.length > 1 && `${sayTitles(titles)}: `}
            {reason}
          </li>
        ))}
      </ul>
    </Alert>
  );
}

function sayTitles(titles: readonly string[]): string {
  const first = titles.slice(0, 3).map((title) => `“${title}”`);
  return titles.length > 3 ? `${first.join(', ')} and ${titles.length - 3} more` : first.join(', ');
}
