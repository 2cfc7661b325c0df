import type { DraftAsk, DraftKind } from './draft-types';
import type { ErrandAnswer, ErrandAsk, ErrandKind } from './errand-types';
import type { DraftAnswer, StageAnswer } from './stage-answer';

/** The screens, and parts of them, whose view a large shell makes large, or long to work out. */
export const stages = [
  'bring-in',
  'bring-over',
  'bring-over-dates',
  'calendar',
  'comb',
  'contents',
  'decide',
  'drawer',
  'evidence',
  'ledger',
  'look',
  'outline',
  'part',
  'plan',
  'plan-file',
  'prove',
  're-date',
  'rehearse',
  'report',
  'reset',
  'restore-points',
  'student',
  'values',
  'work-order',
] as const;
export type Stage = (typeof stages)[number];

export const isStage = (name: string): name is Stage => (stages as readonly string[]).includes(name);

/** What a process is asked to draw: a stage of a shell, with the query of its address. */
export interface StageOrder {
  readonly shellId: string;
  readonly stage: Stage;
  readonly query: string;
}

/** What a process is asked to work out: a change of the plan of a shell. */
export interface DraftOrder<Kind extends DraftKind = DraftKind> {
  readonly shellId: string;
  readonly kind: Kind;
  readonly ask: DraftAsk<Kind>;
}

/** Whoever draws stages, and works out what would change a plan. */
export interface StageDesk {
  /**
   * What a stage shows, or why not. Throws where nobody could be found who draws it. `signal`: whoever asked is gone,
   * and what is not begun need not be.
   */
  draw(order: StageOrder, signal?: AbortSignal | null): Promise<StageAnswer>;
  /** What a change of a plan would come to; nothing is written. Throws as drawing does. */
  draft<Kind extends DraftKind>(order: DraftOrder<Kind>): Promise<DraftAnswer<Kind>>;
  /** Reads what came from outside; nothing is written. Throws as drawing does. */
  errand<Kind extends ErrandKind>(
    kind: Kind,
    ask: ErrandAsk<Kind>,
    signal?: AbortSignal | null,
  ): Promise<ErrandAnswer<Kind>>;
  /** Something is about to be looked at: whoever draws it is made ready, so that it need not wait for that. */
  makeReady(): void;
  close(): Promise<void>;
}
