import type { ReactNode } from 'react';
import { StageViews } from '../parts/stage-views';

const views = [
  { key: '', title: 'Inventory' },
  { key: '/add', title: 'Bring over' },
  { key: '/compare', title: 'Compare' },
  { key: '/contents', title: 'Contents' },
] as const;

/** The views of what came in: what the shell holds, things from elsewhere, how it compares, every thing in a list. */
export const BringInViews = ({ shellId, children }: { shellId: string; children: ReactNode }) => (
  <StageViews base={`/shells/${shellId}/bring-in`} views={views} guide="bring-in">
    {children}
  </StageViews>
);
