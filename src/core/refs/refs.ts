declare const brand: unique symbol;
type Branded<Name extends string> = string & { readonly [brand]: Name };

/** An outline item's manifest identifier, or `resource:ID` for what stands outside the outline. */
export type ItemRef = Branded<'item'>;
/** A manifest resource's identifier. */
export type ContentId = Branded<'content'>;
/** A file's path inside the package, with forward slashes and no leading slash. */
export type FilePath = Branded<'file'>;
/** An event's UID, `UID#RECURRENCE-ID` for an override, `UID~2` for the second of two equal UIDs. */
export type EventRef = Branded<'event'>;
export type GradeCategoryRef = Branded<'gradeCategory'>;
export type GradeColumnRef = Branded<'gradeColumn'>;
export type GroupRef = Branded<'group'>;
/** The manifest's identifier. */
export type ShellRef = Branded<'shell'>;
/** SHA-256 of some bytes, 64 lower-case hexadecimal digits. */
export type Sha256 = Branded<'sha256'>;

/** What a finding can be about. */
export type SubjectType =
  'item' | 'file' | 'event' | 'gradeCategory' | 'gradeColumn' | 'bank' | 'group' | 'homePage' | 'shell';

export const itemRef = (text: string) => text as ItemRef;
export const contentId = (text: string) => text as ContentId;
export const filePath = (text: string) => text as FilePath;
export const eventRef = (text: string) => text as EventRef;
export const gradeCategoryRef = (text: string) => text as GradeCategoryRef;
export const gradeColumnRef = (text: string) => text as GradeColumnRef;
export const groupRef = (text: string) => text as GroupRef;
export const shellRef = (text: string) => text as ShellRef;
export const sha256 = (text: string) => text as Sha256;

/** The ref of a page or activity that stands outside the outline. */
export const outsideRef = (id: ContentId): ItemRef => itemRef(`resource:${id}`);

export const isOutsideRef = (ref: string): boolean => ref.startsWith('resource:');

/**
 * How a manifest spells a ref that is no XML name: one that was made up while reading (`item~7`), and that of a page
 * that was placed (`resource:r7`), which goes by it on.
 */
export const writtenRef = (ref: string): string => ref.replace(/^resource:/, 'placed_').replace(/~/g, '_');
