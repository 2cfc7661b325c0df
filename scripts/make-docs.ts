import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import type { z } from 'zod';
import { familyTitles, urgencyTitles, type Family } from '@/core/checks/finding/finding';
import { allChecks } from '@/core/checks/run/registry';
import { openApiText } from '../stand-ins/campus/openapi';
import { publishedSchemas, schemaText } from './published-schemas';
import { listRoutes } from './routes';

/** Writes the page of each check from its record, and the JSON Schema of everything that Currycomb writes as JSON. */
mkdirSync('docs/checks', { recursive: true });
mkdirSync('docs/schemas', { recursive: true });
const remedyWords = {
  safe: 'safe',
  judgement: 'judgement',
  depends: 'safe or judgement, as it depends',
  none: 'yours to choose',
};
for (const check of allChecks) {
  const family = familyTitles[check.id.split('.')[0] as Family];
  const options = Object.entries(check.options.shape as Record<string, z.ZodType>).map(
    ([name, type]) =>
      `- \`${name}\`: ${type.description ?? ''} (default ${JSON.stringify(type.parse(undefined))})`,
  );
  const { page } = check;
  writeFileSync(
    `docs/checks/${check.id}.md`,
    `# ${check.title}\n\n\`${check.id}\` · ${family} · ${urgencyTitles[check.urgency]} · remedy: ${remedyWords[check.remedyKind]}\n\n## What it means\n\n${page.means}\n\n## Why it matters\n\n${page.why}\n\n## An example\n\n${page.example}\n\n## What the remedy does\n\n${page.remedy}\n\n## When it says nothing\n\n${page.notWhen}\n\n## Settings\n\n${options.length ? `${options.join('\n')}\n` : 'It has none beyond `on` and `urgency`.\n'}`,
  );
}
for (const [name, schema] of Object.entries(publishedSchemas))
  writeFileSync(`docs/schemas/${name}.schema.json`, schemaText(schema));
writeFileSync('docs/campus-host.openapi.json', openApiText());
writeRoutes('docs/security.md');
console.log(`${allChecks.length} check pages, ${Object.keys(publishedSchemas).length} schemas`);

/** The table of addresses stands behind the last heading of its document. */
function writeRoutes(file: string): void {
  const known = readFileSync(file, 'utf8');
  const begin = known.indexOf('\n| address |');
  const text = (begin < 0 ? known : known.slice(0, begin)).trimEnd();
  const rows = listRoutes().map(
    ({ path, methods, kind }) => `| \`${path}\` | ${methods.join(', ')} | ${kind} |`,
  );
  const head = '| address | methods | |\n|---|---|---|';
  writeFileSync(file, `${text}\n\n${head}\n${rows.join('\n')}\n`);
}
