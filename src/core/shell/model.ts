import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import type {
  ContentId,
  EventRef,
  FilePath,
  GradeCategoryRef,
  GradeColumnRef,
  GroupRef,
  ItemRef,
  Sha256,
  ShellRef,
} from '@/core/refs/refs';

/** A term's name and its first and last day; a day that nobody told is null. */
export interface Term {
  readonly title: string;
  readonly start: LocalDate | null;
  readonly end: LocalDate | null;
}

export const itemKinds = [
  'module',
  'heading',
  'page',
  'file',
  'web-link',
  'tool-link',
  'assignment',
  'quiz',
  'discussion',
  'announcement',
  'home-page',
  'other',
] as const;
export type ItemKind = (typeof itemKinds)[number];

/**
 * One line of the outline, or a page or activity that stands outside it.
 * Its text and target live in the Content it points at, since one content can stand in several places.
 */
export interface Item {
  readonly ref: ItemRef;
  readonly kind: ItemKind;
  readonly title: string;
  /** In the outline, or outside it. */
  readonly placed: boolean;
  readonly parent: ItemRef | null;
  readonly content: ContentId | null;
  /** The item's own switch; null where nobody said. */
  readonly shown: boolean | null;
  readonly opens: LocalDateTime | null;
  readonly closes: LocalDateTime | null;
  readonly due: LocalDateTime | null;
  readonly requires: readonly ItemRef[];
  readonly points: number | null;
  readonly gradeCategory: string | null;
  readonly gradeColumn: string | null;
  readonly created: LocalDateTime | null;
  readonly modified: LocalDateTime | null;
  readonly batch: string | null;
  /** How many pieces of student work hang on it; null where unknown. */
  readonly studentWork: number | null;
  readonly groups: readonly GroupRef[];
  /** LOM metadata names the role Instructor: not for students. */
  readonly staffOnly: boolean;
  /** Manifest XML inside the item that no reader understands, carried through. */
  readonly extraXml: readonly string[];
}

/** One question of a quiz or bank (QTI 1.2). Its words stand in the content's texts; here are their places there. */
export interface Question {
  readonly ident: string;
  readonly title: string;
  /** What sort of question, as the cartridge names it: cc.multiple_choice.v0p1 and the like; empty where it does not say. */
  readonly profile: string;
  readonly points: number | null;
  readonly stem: readonly number[];
  readonly answers: readonly {
    readonly ident: string;
    readonly text: readonly number[];
    readonly right: boolean;
  }[];
}

export const contentKinds = [
  'page',
  'file',
  'web-link',
  'tool-link',
  'assignment',
  'quiz',
  'discussion',
  'bank',
  'other',
] as const;
export type ContentKind = (typeof contentKinds)[number];

/** A manifest resource: what an item shows when it is opened. */
export interface Content {
  readonly id: ContentId;
  readonly kind: ContentKind;
  /** The resource type as the manifest spells it; written back unchanged. */
  readonly type: string;
  readonly href: FilePath | null;
  readonly files: readonly FilePath[];
  readonly dependencies: readonly ContentId[];
  readonly intendedUse: string | null;
  readonly staffOnly: boolean;
  /** HTML or plain text: one entry for a page, discussion or assignment; one for each text of a quiz. */
  readonly texts: readonly string[];
  /** The file that holds the texts. */
  readonly textPath: FilePath | null;
  /** Address of a web link or tool link. */
  readonly target: string | null;
  /** The title that the content's own file gives. */
  readonly title: string;
  readonly points: number | null;
  /** What decides a quiz beyond its words: which answers count, as a plain string. */
  readonly answerKey: string;
  readonly questions: readonly Question[];
  /** Idents of banks that a quiz draws on, and the bank's own ident. */
  readonly bankIdent: string | null;
  readonly bankRefs: readonly string[];
  readonly attributes: Readonly<Record<string, string>>;
  readonly extraXml: readonly string[];
}

export type Readers = 'all' | 'staff';

/** A webcontent file. HTML resources are pages, their file is no File. */
export interface ShellFile {
  readonly path: FilePath;
  readonly content: ContentId;
  readonly bytes: number;
  readonly sha256: Sha256;
  readonly mediaType: string;
  readonly readableBy: Readers | null;
  readonly created: LocalDateTime | null;
  readonly modified: LocalDateTime | null;
  readonly batch: string | null;
  /** Text of style sheets, HTML and SVG, whose links count; null for everything else. */
  readonly text: string | null;
  /** What a zip archive holds, file by file; null for what is no archive or can't be read as one. */
  readonly packed: readonly PackedFile[] | null;
}

export interface PackedFile {
  readonly name: string;
  readonly bytes: number;
  readonly sha256: Sha256;
}

/** Any other entry of the package: XML bodies, vendor files, what the manifest does not name. */
export interface PackageEntry {
  readonly path: FilePath;
  readonly bytes: number;
  readonly sha256: Sha256;
  /** Text where it may hold links, else null. */
  readonly text: string | null;
}

export interface Recurrence {
  readonly rule: string | null;
  readonly extraDates: readonly string[];
  readonly excludedDates: readonly string[];
}

export interface CourseEvent {
  readonly ref: EventRef;
  readonly uid: string;
  readonly recurrenceId: string | null;
  readonly title: string;
  /** Shell local time. */
  readonly start: LocalDateTime;
  readonly end: LocalDateTime;
  readonly allDay: boolean;
  readonly recurrence: Recurrence | null;
  /** First days of every occurrence up to a year after the term, shell local time, in order; one for a single event. */
  readonly occurrences: readonly LocalDateTime[];
  readonly location: string;
  /** URL, conference addresses and the addresses in location and description. */
  readonly links: readonly string[];
  readonly description: string;
  readonly created: LocalDateTime | null;
  /** DTSTAMP: when this event's entry was made or last revised. */
  readonly stamped: LocalDateTime | null;
  readonly modified: LocalDateTime | null;
  /** The component as it stood in the file, line for line. */
  readonly source: string;
}

export interface GradeCategory {
  readonly ref: GradeCategoryRef;
  readonly title: string;
  readonly weight: number | null;
  /** Columns of its OneRoster row that no reader understands, carried through. */
  readonly extra: Readonly<Record<string, string>>;
}
export interface GradeColumn {
  readonly ref: GradeColumnRef;
  readonly title: string;
  readonly category: GradeCategoryRef | null;
  readonly points: number | null;
  readonly results: number | null;
  readonly extra: Readonly<Record<string, string>>;
}
export interface QuestionBank {
  readonly ref: ItemRef;
  readonly title: string;
  readonly content: ContentId | null;
}
export interface Group {
  readonly ref: GroupRef;
  readonly title: string;
}
export interface HomePage {
  readonly ref: ItemRef;
  readonly title: string;
  readonly inUse: boolean | null;
}

/** What the institution provides: read from its own package, kept only as far as it is compared. */
export interface Baseline {
  readonly title: string;
  /** Provided outside this shell, or what this shell began as a copy of. */
  readonly is: 'supplied' | 'template';
  /** `key` is equal where two items say the same; null where an item has no content. `text` is what it says, null for what has no body. */
  readonly items: readonly {
    readonly ref: string;
    readonly kind: ItemKind;
    readonly title: string;
    readonly key: string | null;
    readonly text: string | null;
  }[];
  readonly files: readonly Sha256[];
}

/** What a package has around its contents, carried through a write. */
export interface PackageFrame {
  readonly format: 'common-cartridge' | 'content-packaging';
  readonly version: string;
  /** The title that the manifest gives; the shell itself may be called otherwise. */
  readonly title: string;
  /** Children of the manifest's metadata element as XML, schema and schemaversion aside. */
  readonly metadataXml: readonly string[];
  readonly organizationId: string;
  readonly rootItemId: string | null;
  /** XML namespace prefixes that carried fragments use. */
  readonly prefixes: Readonly<Record<string, string>>;
  readonly extraXml: readonly string[];
}

/** What a calendar file has around its events, carried through a write. */
export interface CalendarFrame {
  readonly head: string;
  /** Time zones, to-dos and anything else that is no event. */
  readonly others: readonly string[];
}

/** One course's container for one term: an immutable value. Items stand in outline order, what is outside comes last. */
export interface Shell {
  readonly ref: ShellRef;
  readonly code: string;
  readonly title: string;
  readonly timeZone: string;
  readonly term: Term;
  readonly previousTerm: Term | null;
  /** The roster's school year that the term lies in, where one was given. */
  readonly schoolYear: Term | null;
  readonly noClassDays: readonly LocalDate[];
  readonly asOf: LocalDate;
  readonly items: readonly Item[];
  readonly contents: readonly Content[];
  readonly files: readonly ShellFile[];
  readonly entries: readonly PackageEntry[];
  readonly events: readonly CourseEvent[];
  /** The previous term's calendar, where it was given: evidence only, never changed. */
  readonly previousEvents: readonly CourseEvent[] | null;
  readonly gradeCategories: readonly GradeCategory[];
  readonly gradeColumns: readonly GradeColumn[];
  readonly banks: readonly QuestionBank[];
  readonly groups: readonly Group[];
  readonly homePages: readonly HomePage[];
  readonly enrolments: Readonly<Record<string, number>>;
  readonly frame: PackageFrame;
  readonly calendar: CalendarFrame | null;
  readonly baseline: Baseline | null;
  /** It stands on a host where people work while it is looked at; left out for what was read from a package. */
  readonly isLive?: true;
}
