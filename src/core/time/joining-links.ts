import type { CourseEvent } from '@/core/shell/model';

/** Addresses of an event by which a meeting is joined: a conference property, a path segment `join` or `meet`, or one of 9 to 11 digits (common practice, no source). */
export function joiningLinks(event: CourseEvent): string[] {
  const conferences = new Set<string>();
  if (event.source.includes('CONFERENCE')) {
    const lines = event.source.replace(/\r?\n[ \t]/g, '').split(/\r?\n/);
    for (const line of lines) {
      const value = /^CONFERENCE[;:][^]*?:?((?:https?|tel|sips?|xmpp|callto):[^\s]+)$/i.exec(line)?.[1];
      if (value) conferences.add(value);
    }
  }
  return event.links.filter((link) => conferences.has(link) || joins(link));
}

/** Does an address look like one by which a meeting is joined? Common practice, no source. */
export function joins(link: string): boolean {
  let url: URL;
  try {
    url = new URL(link);
  } catch {
    return false;
  }
  return url.pathname
    .split('/')
    .some((segment) => /^(join|meet)$/i.test(segment) || /^\d{9,11}$/.test(segment));
}
