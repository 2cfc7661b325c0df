import type ICAL from 'ical.js';
import { collect } from '@/core/collect';
import { componentOf } from './read-event';

/** One property of a component as the file spells it. */
interface WrittenProperty {
  /** Its lines as they are, folds included. */
  readonly lines: string;
  /** The same without folds (RFC 5545, 3.1). */
  readonly unfolded: string;
}

/**
 * Writes a component of which some properties were changed. What was not changed stays as the file spells it, byte for
 * byte; of a changed value the name and the parameters stay (RFC 5545, 3.1 and 3.2). The library writes everything anew:
 * parameters in another order, and lists of values as one quoted value.
 */
export function writeComponent(source: string, changed: ICAL.Component): string {
  const written = splitSource(source);
  const before = componentOf(source).getAllProperties();
  // A line that the library reads otherwise than it is split here: then all of it is the library's.
  if (written === null || written.properties.length !== before.length) return changed.toString();
  const left = new Map<string, { written: WrittenProperty; before: ICAL.Property }[]>();
  before.forEach((property, place) => {
    const one = written.properties[place];
    if (one) collect(left, property.name, { written: one, before: property });
  });
  const lines = changed.getAllProperties().map((property) => {
    const others = left.get(property.name) ?? [];
    const same = others.findIndex(({ before: old }) => isSame(old, property));
    const [match] = same >= 0 ? others.splice(same, 1) : [];
    if (match) return match.written.lines;
    return { property, others };
  });
  const properties = lines.map((line) => (typeof line === 'string' ? line : changedLine(line)));
  return [written.begin, ...properties, ...written.rest].join('\r\n');
}

const isSame = (a: ICAL.Property, b: ICAL.Property): boolean => a.toICALString() === b.toICALString();

/** A changed property: with the head of the one that it replaces, where that has the same parameters. */
function changedLine({
  property,
  others,
}: {
  readonly property: ICAL.Property;
  readonly others: { written: WrittenProperty; before: ICAL.Property }[];
}): string {
  const line = property.toICALString();
  const place = others.findIndex(({ before }) => parametersOf(before) === parametersOf(property));
  const [replaced] = place >= 0 ? others.splice(place, 1) : [];
  if (!replaced) return fold(line);
  const head = replaced.written.unfolded.slice(0, headLength(replaced.written.unfolded));
  return fold(`${head}${line.slice(headLength(line))}`);
}

/** Name, parameters and type of a property: jCal (RFC 7265, 3.4) has them first. */
const parametersOf = (property: ICAL.Property): string =>
  JSON.stringify((property.toJSON() as readonly unknown[]).slice(0, 3));

/** Where the value of a content line begins: behind the first colon that is in no quoted parameter. */
function headLength(line: string): number {
  let isQuoted = false;
  for (let at = 0; at < line.length; at += 1) {
    const sign = line.charAt(at);
    if (sign === '"') isQuoted = !isQuoted;
    else if (sign === ':' && !isQuoted) return at + 1;
  }
  return line.length;
}

/** The properties of a component, without those of the components in it, which stay as they are. */
function splitSource(source: string): {
  readonly begin: string;
  readonly properties: readonly WrittenProperty[];
  readonly rest: readonly string[];
} | null {
  const lines = source.split(/\r\n|\n|\r/);
  const [begin, ...inside] = lines;
  if (begin === undefined || !/^BEGIN:/i.test(begin)) return null;
  const properties: { lines: string; unfolded: string }[] = [];
  let at = 0;
  for (; at < inside.length; at += 1) {
    const line = inside[at] ?? '';
    if (/^(BEGIN|END):/i.test(line)) break;
    const last = properties.at(-1);
    if (/^[ \t]/.test(line) && last) {
      last.lines += `\r\n${line}`;
      last.unfolded += line.slice(1);
    } else if (line !== '') properties.push({ lines: line, unfolded: line });
  }
  const rest = inside.slice(at);
  // A property behind a component in it would change its place.
  const hasLater = propertiesBehind(rest);
  return hasLater ? null : { begin, properties, rest };
}

function propertiesBehind(rest: readonly string[]): boolean {
  let depth = 0;
  for (const line of rest) {
    if (/^BEGIN:/i.test(line)) depth += 1;
    else if (/^END:/i.test(line)) depth -= 1;
    else if (depth === 0 && line.trim() !== '') return true;
  }
  return false;
}

/** The longest line, in octets of UTF-8, its break aside (RFC 5545, 3.1). */
const longestLine = 75;
const encoder = new TextEncoder();

function fold(line: string): string {
  const parts: string[] = [];
  let part = '';
  let octets = 0;
  for (const character of line) {
    const size = encoder.encode(character).length;
    if (octets + size > longestLine) {
      parts.push(part);
      part = ' ';
      octets = 1;
    }
    part += character;
    octets += size;
  }
  return [...parts, part].join('\r\n');
}
