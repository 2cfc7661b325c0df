import { randomUUID } from 'node:crypto';
import { preload } from 'react-dom';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import type { Stage } from '@/services/keep/desks/stage-order';
import type { StageView } from '@/services/wire/stages/stage-views';
import type { StageSource } from '@/ui/stage/load-stage';
import type { PageQuery } from './shell-page';

/** Where a page asks for what its stage shows; the browser begins to ask before the page’s code is there. */
export function stageSource<Of extends Stage>(
  { row }: CurrentShell,
  stage: Of,
  query: PageQuery = {},
): StageSource<StageView<Of>> {
  const asked = new URLSearchParams();
  for (const [name, value] of Object.entries(query)) if (typeof value === 'string') asked.set(name, value);
  const search = asked.size > 0 ? `?${asked.toString()}` : '';
  const url = `/api/shells/${row.id}/stages/${stage}${search}`;
  preload(url, { as: 'fetch', crossOrigin: 'anonymous' });
  return { shellId: row.id, url, drawn: randomUUID() };
}
