import type { Shell, Term } from './model';

/** A sign in the package's own title that it belongs to another course or term. */
export interface IdentityDoubt {
  readonly what: 'term' | 'code';
  /** As the package's title says it. */
  readonly says: string;
  /** What the shell is. */
  readonly is: string;
}

const seasons = 'spring|summer|fall|autumn|winter';
const termNames = new RegExp(`\\b(${seasons})\\s*(?:term|semester|quarter)?\\s*['’]?\\s*((?:19|20)\\d{2}|\\d{2})\\b|\\b(semester|term|trimester|quarter)\\s+([1-4])\\s*,?\\s*((?:19|20)\\d{2})\\b|\\b((?:19|20)\\d{2})\\s*[-–/]\\s*(\\d{2}|(?:19|20)\\d{2})\\b`, 'gi');

/** Compares the title that the package itself gives with the shell's code and term. Nothing known, nothing doubted. */
export function identityDoubts(shell: Pick<Shell, 'code' | 'title' | 'term' | 'frame'>): IdentityDoubt[] {
  const titles = [...new Set([shell.frame.title, shell.title])].filter((t) => t !== '');
  const doubts: IdentityDoubt[] = [];
  for (const title of titles) for (const doubt of [...otherTerms(title, shell.term), ...otherCodes(title, shell.code)]) if (!doubts.some((d) => d.what === doubt.what && d.says === doubt.says)) doubts.push(doubt);
  return doubts;
}

function otherTerms(title: string, term: Term): IdentityDoubt[] {
  if (!term.title && !term.start) return [];
  const is = term.title || `${term.start} to ${term.end ?? 'an unknown day'}`;
  const years = new Set([term.start?.slice(0, 4), term.end?.slice(0, 4), ...(term.title.match(/\b(?:19|20)\d{2}\b/g) ?? [])].filter((y) => y !== undefined));
  const season = seasonIn(term.title) ?? seasonOf(term);
  const found: IdentityDoubt[] = [];
  for (const match of title.matchAll(termNames)) {
    const named = match[1]?.toLowerCase();
    const year = fourDigits(match[2] ?? match[5] ?? match[6] ?? '');
    const last = match[7] === undefined ? year : fourDigits(match[7]);
    const sameSeason = named === undefined || season === null || oneSeason(named) === oneSeason(season);
    const sameYear = years.size === 0 || years.has(year) || years.has(last);
    if (!(sameSeason && sameYear)) found.push({ what: 'term', says: match[0], is });
  }
  return found;
}

const fourDigits = (year: string): string => (year.length === 2 ? `20${year}` : year);
const oneSeason = (name: string): string => (name === 'fall' ? 'autumn' : name);
const seasonIn = (title: string): string | null => new RegExp(`\\b(${seasons})\\b`, 'i').exec(title)?.[1]?.toLowerCase() ?? null;

/** The season that most of a term lies in, for terms that are named by their days only (northern terms; common practice, no source). */
function seasonOf(term: Term): string | null {
  if (!term.start) return null;
  const month = Number(term.start.slice(5, 7));
  return month <= 3 ? 'spring' : month <= 7 ? 'summer' : 'autumn';
}

/** Codes built as the shell's own is, letters and digits, that are another one. */
function otherCodes(title: string, code: string): IdentityDoubt[] {
  const parts = /^([A-Z]{2,5})[\s-]?(\d{2,4})/i.exec(code.trim());
  if (!parts) return [];
  const [, letters, digits] = parts as unknown as [string, string, string];
  const like = new RegExp(`\\b([A-Z]{${letters.length}})[\\s-]?(\\d{${digits.length}})(?![\\d])`, 'g');
  const found: IdentityDoubt[] = [];
  for (const match of title.matchAll(like)) {
    if (/^(RFC|ISO|FY)$/.test(match[1]!)) continue;
    if (match[1]!.toUpperCase() !== letters.toUpperCase() || match[2] !== digits) found.push({ what: 'code', says: match[0], is: code });
  }
  return found;
}
