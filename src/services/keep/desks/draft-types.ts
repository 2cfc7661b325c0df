/**
 * What each kind of change of a plan is asked, and what is told of it. The registry of drafts fills it in: whoever has a
 * change worked out names its kind, and needs none of the code that does it.
 */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- the registry extends it
export interface DraftTypes {}

export type DraftKind = keyof DraftTypes;
export type DraftAsk<Kind extends DraftKind> = DraftTypes[Kind] extends { readonly ask: infer Ask }
  ? Ask
  : never;
/** What is told of a change of a kind. */
export type DraftTold<Kind extends DraftKind> = DraftTypes[Kind] extends { readonly told: infer Told }
  ? Told
  : never;
