import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { serve, type HttpBindings } from '@hono/node-server';
import { Hono, type Context, type Next } from 'hono';
import { campusApi, openApiAbout } from './api';
import type { CampusHost } from './host';
import { troublesPage } from './troubles-page';
import { allTroubles, noTroubles, troublesSchema, type Troubles } from './troubles';

type Env = { Bindings: HttpBindings };

/** How long the host is not there while it restarts, in milliseconds. */
const restartTakes = 150;
/** How long who was too fast is told to wait, in seconds. */
const tooFastWait = 1;

const presets: ReadonlyMap<string, Troubles> = new Map([
  ['none', noTroubles],
  ['all', allTroubles],
]);

/** The troubles of a host, and everything else that stands before its API. */
export function campusApp(host: CampusHost): Hono<Env> {
  const app = new Hono<Env>();
  const api = campusApi(host);
  app.get('/', (c) => c.html(troublesPage(host.troubles)));
  // A browser asks for it by itself.
  app.get('/favicon.ico', (c) => c.body(null, 204));
  app.get('/troubles', (c) => c.json(host.troubles));
  app.post('/troubles', async (c) => {
    const form = await c.req.parseBody();
    const numbers = Object.entries(form).map(([name, value]) => [name, Number(value)] as const);
    const wanted =
      presets.get(typeof form['preset'] === 'string' ? form['preset'] : '') ?? Object.fromEntries(numbers);
    const parsed = troublesSchema.safeParse(wanted);
    if (!parsed.success)
      return c.html(troublesPage(host.troubles, 'One of these is no number that fits.'), 400);
    host.setTroubles(parsed.data);
    return c.redirect('/');
  });
  app.get('/openapi.json', (c) => c.json(api.getOpenAPI31Document(openApiAbout)));
  app.use('*', new Troubling(host).handle);
  app.use('*', signedIn(host));
  app.route('/', api);
  return app;
}

const problemJson = (status: number, title: string, headers: Record<string, string> = {}): Response =>
  new Response(JSON.stringify({ title, status }), {
    status,
    headers: { 'content-type': 'application/problem+json', ...headers },
  });

function signedIn(host: CampusHost) {
  return async (c: Context<Env>, next: Next): Promise<Response | undefined> => {
    if (c.req.path === '/sign-in') {
      await next();
      return undefined;
    }
    const token = /^Bearer (.+)$/.exec(c.req.header('authorization') ?? '')?.[1] ?? '';
    if (!host.accountOf(token)) return problemJson(401, 'Sign in first', { 'www-authenticate': 'Bearer' });
    await next();
    return undefined;
  };
}

/** Lets go wrong what the troubles say. */
class Troubling {
  private requests = 0;
  private untilBack = 0;
  private readonly recent: number[] = [];

  constructor(private readonly host: CampusHost) {}

  handle = async (c: Context<Env>, next: Next): Promise<Response | undefined> => {
    const { host } = this;
    const { troubles, random } = host;
    this.requests += 1;
    if (troubles.restart > 0 && this.requests % troubles.restart === 0) {
      host.restart();
      this.untilBack = Date.now() + restartTakes;
    }
    if (Date.now() < this.untilBack) return problemJson(503, 'The host is starting again');
    if (troubles.slow > 0) await pause(random.below(troubles.slow + 1));
    if (this.isTooFast(troubles.hurry))
      return problemJson(429, 'Too many requests', { 'retry-after': String(tooFastWait) });
    if (random.happens(troubles.fail))
      return problemJson(failures[random.below(4)] ?? 500, 'Something failed');
    await next();
    if (troubles.others > 0 && this.requests % troubles.others === 0)
      for (const shell of host.shells.values()) host.somebodyElse(shell);
    if (random.happens(troubles.drop)) c.env.incoming.socket.destroy();
    return undefined;
  };

  private isTooFast(mostInSecond: number): boolean {
    if (mostInSecond === 0) return false;
    const now = Date.now();
    while ((this.recent[0] ?? now) < now - 1000) this.recent.shift();
    if (this.recent.length >= mostInSecond) return true;
    this.recent.push(now);
    return false;
  }
}

const failures = [500, 502, 503, 504];
const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

export interface RunningHost {
  readonly address: string;
  readonly host: CampusHost;
  close(): Promise<void>;
}

/** Starts a host on this computer alone; port 0 takes any that is free. */
export function startCampusHost(host: CampusHost, port = 0): Promise<RunningHost> {
  return new Promise((resolve, reject) => {
    const server = serve({ fetch: campusApp(host).fetch, port, hostname: '127.0.0.1' }, (info: AddressInfo) =>
      resolve({ address: `http://127.0.0.1:${info.port}`, host, close: () => closeServer(server as Server) }),
    );
    server.on('error', reject);
  });
}

const closeServer = (server: Server): Promise<void> =>
  new Promise((resolve) => {
    server.close(() => resolve());
    server.closeAllConnections();
  });
