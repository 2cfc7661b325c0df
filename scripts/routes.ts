import { readdirSync, readFileSync } from 'node:fs';
import { join, relative, sep } from 'node:path';

/** One address of the application, as its files say. */
export interface Route {
  /** With the names of its parameters in brackets, as in `/api/jobs/[id]`. */
  readonly path: string;
  readonly methods: readonly string[];
  readonly kind: 'page' | 'route';
}

const appFolder = 'src/app';
const handler = /^export (?:const|async function|function) (GET|POST|PUT|PATCH|DELETE|HEAD|OPTIONS)\b/gm;

/** Every address that the files of src/app make, sorted: the same files that the framework reads. */
export function listRoutes(): readonly Route[] {
  const files = readdirSync(appFolder, { recursive: true, encoding: 'utf8' });
  const routes = files.flatMap((file): Route[] => {
    const path = `/${relative('.', join(file, '..')).split(sep).join('/')}`.replace(/^\/\.?$/, '/');
    if (/(^|\/)page\.tsx$/.test(file)) return [{ path, methods: ['GET'], kind: 'page' }];
    if (!/(^|\/)route\.ts$/.test(file)) return [];
    const source = readFileSync(join(appFolder, file), 'utf8');
    const methods = [...source.matchAll(handler)].map(([, method = '']) => method);
    return [{ path, methods, kind: 'route' }];
  });
  return routes.sort((a, b) => (a.path < b.path ? -1 : 1));
}
