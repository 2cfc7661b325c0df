import { readFileSync, writeFileSync } from 'node:fs';

const report = 'docs/reliability.md';

/** Writes one section of docs/reliability.md in the place of the one that has its title, else at the end. */
export function writeSection(title: string, text: string): void {
  const known = readFileSync(report, 'utf8');
  const head = `\n## ${title}\n`;
  const begin = known.indexOf(head);
  const section = `${head}\n${text.trimEnd()}\n`;
  if (begin < 0) return writeFileSync(report, `${known.trimEnd()}\n${section}`);
  const next = known.indexOf('\n## ', begin + 1);
  writeFileSync(report, `${known.slice(0, begin)}${section}${next < 0 ? '' : known.slice(next)}`);
}
