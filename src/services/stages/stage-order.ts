import type { StageAnswer } from './stage-answer';

/** The screens whose view a large shell makes large, or long to work out. */
export const stages = [
  'bring-in',
  'calendar',
  'comb',
  'contents',
  'decide',
  'drawer',
  'outline',
  'part',
  'plan',
  'prove',
  're-date',
  'rehearse',
  'reset',
  'restore-points',
  'student',
  'values',
  'work-order',
] as const;
export type Stage = (typeof stages)[number];

export const isStage = (name: string): name is Stage => (stages as readonly string[]).includes(name);

/** What a thread is asked to draw: a stage of a shell, with the query of its address. */
export interface StageOrder {
  readonly shellId: string;
  readonly stage: Stage;
  readonly query: string;
}

/** Whoever draws stages. */
export interface StageDesk {
  /** What a stage shows, or why not. Throws where nobody could be found who draws it. */
  draw(order: StageOrder): Promise<StageAnswer>;
  close(): Promise<void>;
}
