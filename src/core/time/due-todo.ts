import ICAL from 'ical.js';

const dueUid = /^due-(.+)@currycomb$/s;

/** The UID of the to-do (RFC 5545, 3.6.2) that is written for an item’s due date. A calendar keeps no control characters. */
export const dueTodoUid = (itemRef: string): string =>
  `due-${itemRef.replace(/[\u0000-\u001f%]/g, encodeURIComponent)}@currycomb`;

/** The ref of the item that a to-do’s UID names; null for a to-do of somebody else. */
export const itemOfDueUid = (uid: string): string | null =>
  dueUid.exec(uid.trim())?.[1]?.replace(/%(?:[01][0-9A-F]|25)/g, decodeURIComponent) ?? null;

/** The ref of the item that a component is the due date’s to-do of; null for any other component. */
export function dueTodoOf(source: string): string | null {
  if (!/^BEGIN:VTODO/i.test(source) || !/^UID:due-/im.test(source)) return null;
  try {
    const component = new ICAL.Component(ICAL.parse(source) as unknown[]);
    return itemOfDueUid(String(component.getFirstPropertyValue('uid') ?? ''));
  } catch {
    return null;
  }
}
