import type { Stretch } from './stretches';

/** Capitals and digits that could be the code of a course. */
export interface CourseCode extends Stretch {
  readonly letters: string;
  readonly digits: string;
}
export interface OwnCode {
  readonly letters: string;
  readonly digits: string;
}

/** More in one text are no codes of courses. */
const mostCodes = 2000;

/** Letters before a number that are no course: standards, cameras, units (from memory; common practice, no source). */
const noCourses = new Set(
  'RFC ISO IEC IEEE ANSI DIN EN ASTM EPA NIST FIPS UTF SHA MD BS CFR USC ECMA ITU MIL SAE API BIP CVE IMG DSC PIC FIG VID DOC PDF REV SET LAB DAY MAX MIN ROOM PAGE WEEK UNIT STEP TASK PART NO VOL CH PP AD BC CE BCE USD EUR GBP COVID HTTP CODE TEL EXT BOX'.split(
    ' ',
  ),
);

/** Finds what could be the code of a course, from a place in the text on. */
export function courseCodes(text: string, from = 0): CourseCode[] {
  const pattern = /(?<![\p{L}\p{N}])([A-Z]{2,6})[\s-]?(\d{2,5})(?!\p{N})/gu;
  pattern.lastIndex = from;
  const found: CourseCode[] = [];
  for (let match = pattern.exec(text); match && found.length < mostCodes; match = pattern.exec(text))
    found.push(codeOf(match));
  return found;
}

/** A shell's own code, where it is made of letters and digits. */
export function ownCode(code: string): OwnCode | null {
  const [, letters, digits] = /^\s*([A-Za-z]{2,6})[\s-]?(\d{2,5})/.exec(code) ?? [];
  return letters && digits ? { letters: letters.toUpperCase(), digits } : null;
}

/** Those built as the shell's own code is, so many letters and so many digits, that are another course's. */
export const otherCourses = (codes: readonly CourseCode[], shellCode: OwnCode): CourseCode[] =>
  codes.filter(
    (c) =>
      c.letters.length === shellCode.letters.length &&
      c.digits.length === shellCode.digits.length &&
      !noCourses.has(c.letters) &&
      (c.letters !== shellCode.letters || c.digits !== shellCode.digits),
  );

function codeOf(match: RegExpExecArray): CourseCode {
  const [whole, letters = '', digits = ''] = match;
  return { start: match.index, end: match.index + whole.length, letters, digits };
}
