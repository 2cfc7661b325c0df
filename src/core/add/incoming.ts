/** What a thing of a source is to the shell that it would come into. */
export type Standing =
  /** Nothing like it is there. */
  | 'new'
  /** Its equal is there, at whatever place. */
  | 'there'
  /** It has its counterpart there, with other content. */
  | 'differs'
  /** The source holds it more than once, and this is not the first. */
  | 'doubled';
export const standings = ['new', 'differs', 'doubled', 'there'] as const satisfies readonly Standing[];

/** How a standing is said to people. */
export const standingTitles: Readonly<Record<Standing, string>> = {
  new: 'New',
  differs: 'Differs',
  doubled: 'A second copy',
  there: 'Already there',
};

/** Why something new is not proposed. */
export const leftOutReasons = {
  baseline: 'the institution provides it',
  announcement: 'an announcement of another term',
  event: 'outside this term, or flagged by a calendar check',
  'empty-category': 'no columns in it',
  key: 'named as an answer key, and students would see it',
  leftover: 'left over from a former system',
  superseded: 'an older version',
  unused: 'nothing uses it',
} as const;
export type LeftOut = keyof typeof leftOutReasons;

export type IncomingType = 'item' | 'file' | 'event' | 'gradeCategory' | 'gradeColumn' | 'bank';
export const incomingTypes = [
  'item',
  'file',
  'event',
  'gradeCategory',
  'gradeColumn',
  'bank',
] as const satisfies readonly IncomingType[];

/** Names an incoming thing among things of every type. */
export type IncomingKey = `${IncomingType} ${string}`;
export const incomingKey = (type: IncomingType, ref: string): IncomingKey => `${type} ${ref}`;

/** One thing of an incoming package, held against the shell it would come into. */
export interface IncomingThing {
  readonly key: IncomingKey;
  readonly type: IncomingType;
  readonly ref: string;
  /** An item's kind, a file's media type. */
  readonly kind: string;
  readonly title: string;
  /** The incoming module around it. */
  readonly parent: IncomingKey | null;
  readonly standing: Standing;
  /** What it was held against. */
  readonly counterpart: { readonly ref: string; readonly title: string } | null;
  /** Of a second copy, the first: what is in a module goes where its things go, and links to the second lead to it. */
  readonly firstCopy?: IncomingKey;
  /** Each in one clause: “due 2025-09-05 instead of 2027-01-22”. */
  readonly differences: readonly string[];
  /** Whether the proposal takes it. A module is never proposed for itself: it comes with what is in it. */
  readonly proposed: boolean;
  /** Why something new is not proposed; null for all else. */
  readonly leftOut: LeftOut | null;
}

/** Something that must come along with something else. */
export interface Need {
  readonly key: IncomingKey;
  /** In words that follow “needed by …”: “a picture or file on it”. */
  readonly why: string;
}

/** An incoming package held against a shell, line by line, in the package's order. */
export interface AddPreview {
  readonly things: readonly IncomingThing[];
  readonly counts: Readonly<Record<Standing, number>>;
  /** What each thing needs, where it needs anything. */
  readonly needs: Readonly<Record<string, readonly Need[]>>;
}
