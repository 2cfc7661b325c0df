/** The six stages, in the order practitioners work. */
export const stages = [
  { key: 'bring-in', title: 'Bring in' },
  { key: 'comb', title: 'Comb' },
  { key: 'decide', title: 'Decide' },
  { key: 'rehearse', title: 'Rehearse' },
  { key: 'carry-out', title: 'Carry out' },
  { key: 'prove', title: 'Prove' },
] as const;
export type StageKey = (typeof stages)[number]['key'];

/** What the frame shows on every screen of a shell. */
export interface FrameView {
  readonly id: string;
  readonly code: string;
  readonly title: string;
  readonly term: string;
  readonly role: string;
  /** A line under each stage: its state or count. */
  readonly states: Readonly<Record<StageKey, string>>;
  readonly planSize: number;
  /** The recipe that it is worked through, and how far; null without one. */
  readonly recipe: { readonly title: string; readonly done: number; readonly steps: number } | null;
}
