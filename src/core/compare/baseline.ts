import { linkGraphOf } from '@/core/links/graph';
import { textOfContent } from '@/core/links/scans';
import type { Baseline, Shell } from '@/core/shell/model';
import { titleKey } from '@/core/text/normalise';
import { contentKeys } from './content-keys';

/** What is kept of a baseline shell to hold others against it. */
export function baselineOf(shell: Shell, is: Baseline['is']): Baseline {
  const keys = contentKeys(shell, linkGraphOf(shell));
  const contents = new Map(shell.contents.map((c) => [c.id, c]));
  const textOf = (item: Shell['items'][number]): string | null => {
    const text = textOfContent(item.content === null ? undefined : contents.get(item.content));
    return text.trim() === '' ? null : text;
  };
  return {
    title: shell.title,
    is,
    items: shell.items.map((i) => ({
      ref: i.ref,
      kind: i.kind,
      title: i.title,
      key: keys.looseOf(i),
      text: textOf(i),
    })),
    files: [...new Set(shell.files.map((f) => f.sha256))].sort(),
  };
}

/** Does a shell hold nothing beyond its baseline: every item of it equal in content or, without content, in title, every file in bytes? */
export function onlyBaseline(shell: Shell): boolean {
  const { baseline } = shell;
  if (!baseline) return false;
  const files = new Set<string>(baseline.files);
  if (shell.events.length || shell.gradeColumns.length || shell.files.some((f) => !files.has(f.sha256)))
    return false;
  const bare = new Set(
    baseline.items.filter((i) => i.key === null).map((i) => `${i.kind} ${titleKey(i.title)}`),
  );
  const said = new Set(baseline.items.map((i) => i.key));
  const keys = contentKeys(shell, linkGraphOf(shell));
  return shell.items.every((i) => {
    const key = keys.looseOf(i);
    return key === null ? bare.has(`${i.kind} ${titleKey(i.title)}`) : said.has(key);
  });
}
