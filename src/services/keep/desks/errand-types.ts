import type { StageTrouble } from './stage-answer';

/** What each errand is asked, and what it brings. The registry of errands fills it in. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- the registry extends it
export interface ErrandTypes {}

export type ErrandKind = keyof ErrandTypes;
export type ErrandAsk<Kind extends ErrandKind> = ErrandTypes[Kind] extends { readonly ask: infer Ask }
  ? Ask
  : never;
type ErrandValue<Kind extends ErrandKind> = ErrandTypes[Kind] extends { readonly value: infer Value }
  ? Value
  : never;

/** What came of an errand, or why nothing did. */
export type ErrandAnswer<Kind extends ErrandKind> =
  { readonly type: 'fetched'; readonly value: ErrandValue<Kind> } | StageTrouble;

export interface ErrandOrder<Kind extends ErrandKind = ErrandKind> {
  readonly kind: Kind;
  readonly ask: ErrandAsk<Kind>;
}
