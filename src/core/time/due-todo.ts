const dueUid = /^due-(.+)@currycomb$/;
const uidLine = /^UID:(.*(?:\r?\n[ \t].*)*)/im;

/** The UID of the to-do (RFC 5545, 3.6.2) that is written for an item’s due date. */
export const dueTodoUid = (itemRef: string): string => `due-${itemRef}@currycomb`;

/** The ref of the item that a to-do’s UID names; null for a to-do of somebody else. */
export const itemOfDueUid = (uid: string): string | null => dueUid.exec(uid.trim())?.[1] ?? null;

/** The ref of the item that a component is the due date’s to-do of; null for any other component. */
export function dueTodoOf(source: string): string | null {
  if (!/^BEGIN:VTODO/i.test(source)) return null;
  const uid = uidLine.exec(source)?.[1]?.replace(/\r?\n[ \t]/g, '') ?? '';
  return itemOfDueUid(uid);
}
