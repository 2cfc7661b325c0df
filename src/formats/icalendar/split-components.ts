import { elementAt } from '@/core/sure';

/** A calendar file cut into its components, each as it stood. */
export interface CalendarParts {
  /** Lines between BEGIN:VCALENDAR and the first component. */
  readonly head: string;
  readonly events: readonly { readonly source: string; readonly line: number }[];
  readonly others: readonly { readonly name: string; readonly source: string; readonly line: number }[];
  /** The line at which an unfinished component began, or null. */
  readonly unfinished: number | null;
}

/** Cuts an iCalendar stream (RFC 5545, 3.4) at its top-level components; nothing is changed. Null where it is no calendar. */
export function splitComponents(text: string): CalendarParts | null {
  const lines = text.replace(/^\ufeff/, '').split(/\r\n|\n|\r/);
  const first = lines.findIndex((l) => l.trim() !== '');
  if (first < 0 || lines[first]?.trim().toUpperCase() !== 'BEGIN:VCALENDAR') return null;
  const head: string[] = [];
  const events: { source: string; line: number }[] = [];
  const others: { name: string; source: string; line: number }[] = [];
  let open: { name: string; from: number; depth: number } | null = null;
  for (let i = first + 1; i < lines.length; i += 1) {
    const line = elementAt(lines, i);
    const begin = /^BEGIN:(.+)$/i.exec(line)?.[1]?.trim().toUpperCase();
    const end = /^END:(.+)$/i.exec(line);
    if (open) {
      // The calendar ends where a component of it has not: that one is cut short.
      if (end?.[1]?.trim().toUpperCase() === 'VCALENDAR') break;
      if (begin) open.depth += 1;
      if (end && (open.depth -= 1) === 0) {
        const source = lines.slice(open.from, i + 1).join('\r\n');
        if (open.name === 'VEVENT') events.push({ source, line: open.from + 1 });
        else others.push({ name: open.name, source, line: open.from + 1 });
        open = null;
      }
    } else if (begin && begin !== 'VCALENDAR') open = { name: begin, from: i, depth: 1 };
    else if (!begin && !end && line.trim() !== '' && events.length + others.length === 0) head.push(line);
  }
  return { head: head.join('\r\n'), events, others, unfinished: open ? open.from + 1 : null };
}
