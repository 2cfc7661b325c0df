import type { ReactNode } from 'react';
import { StageViews } from '../parts/stage-views';

const views = [
  { key: '', title: 'Findings' },
  { key: '/outline', title: 'Outline' },
  { key: '/calendar', title: 'Calendar' },
  { key: '/re-date', title: 'Re-date' },
  { key: '/values', title: 'Values' },
] as const;

/** The views of the same work: what was found, the outline, the calendar, dates from term to term, values in a grid. */
export const DecideViews = ({ shellId, children }: { shellId: string; children: ReactNode }) => (
  <StageViews base={`/shells/${shellId}/decide`} views={views} guide="decide">
    {children}
  </StageViews>
);
