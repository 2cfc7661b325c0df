import type { ReactNode } from 'react';
import { StageViews } from '../parts/stage-views';

const views = [
  { key: '', title: 'Proof' },
  { key: '/opening-day', title: 'Opening day' },
  { key: '/student', title: 'Student’s eye' },
  { key: '/outside', title: 'Outside links' },
  { key: '/compare', title: 'Compare' },
  { key: '/next-time', title: 'Next time' },
] as const;

/** The ways to prove a shell: what became of the findings, what opening day asks for, what students get, other shells, the next copy. */
export const ProveViews = ({ shellId, children }: { shellId: string; children: ReactNode }) => (
  <StageViews base={`/shells/${shellId}/prove`} views={views} guide="prove">
    {children}
  </StageViews>
);
