import { deserialize, serialize } from 'node:v8';
import { adoptReading, readingOf } from '@/core/links/scans';
import { digest } from '@/core/refs/digest';
import type { Content, Shell } from '@/core/shell/model';
import type { BodyReading } from '@/core/text/read-texts';
import type { Memo } from '@/store/memo';

const keys = new WeakMap<Content, string>();

/** Names the reading of a body by its texts alone. */
function keyOf(content: Content): string {
  let key = keys.get(content);
  if (key === undefined) keys.set(content, (key = `body ${digest(content.texts.join('\u0000'))}`));
  return key;
}

const isRead = new WeakSet<Shell>();

/** Takes over what was read in the bodies of a shell before, in this process or an earlier one. */
export function recallReadings(memo: Memo, shell: Shell): void {
  if (isRead.has(shell)) return;
  isRead.add(shell);
  for (const content of shell.contents) {
    if (!content.texts.length || readingOf(content)) continue;
    const kept = memo.get(keyOf(content));
    if (kept) adoptReading(content, deserialize(kept) as BodyReading);
  }
}

/** Keeps what was read in the bodies of a shell. */
export function keepReadings(memo: Memo, shell: Shell): void {
  const fresh: [string, Buffer][] = [];
  for (const content of shell.contents) {
    const reading = content.texts.length ? readingOf(content) : null;
    if (reading && memo.get(keyOf(content)) === null) fresh.push([keyOf(content), serialize(reading)]);
  }
  if (fresh.length) memo.put(fresh);
}
