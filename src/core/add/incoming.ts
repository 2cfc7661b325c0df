/** What stands where an incoming thing would go. */
export type Standing =
  /** Nothing of its kind is there. */
  | 'new'
  /** The very thing is there, equal in all that is compared. */
  | 'there'
  /** It is there under the same name, and something about it differs. */
  | 'differs'
  /** The same stands there under another identity: adding it would double it. */
  | 'doubled';
export const standings = ['new', 'differs', 'doubled', 'there'] as const satisfies readonly Standing[];

/** How a standing is said to people. */
export const standingTitles: Readonly<Record<Standing, string>> = {
  new: 'New',
  differs: 'Differs',
  doubled: 'Would be doubled',
  there: 'Already there',
};

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
  /** Each in one clause: “due 2025-09-05 instead of 2027-01-22”. */
  readonly differences: readonly string[];
  /** Whether the proposal takes it, and why not where it does not. */
  readonly proposed: boolean;
  readonly leftOut: string | null;
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
