import { StageViews } from '../parts/stage-views';

const views = [
  { key: '', title: 'Proof' },
  { key: '/opening-day', title: 'Opening day' },
  { key: '/student', title: 'Student’s eye' },
  { key: '/compare', title: 'Compare' },
] as const;

/** The ways to prove a shell: what became of the findings, what opening day asks for, what students get, other shells. */
export const ProveViews = ({ shellId }: { shellId: string }) => (
  <StageViews base={`/shells/${shellId}/prove`} views={views} />
);
