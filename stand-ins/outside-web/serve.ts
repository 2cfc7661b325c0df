import { entryOf } from '@/core/entries';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { createSecureContext } from 'node:tls';
import { behaviours, isBehaviour, type BehaviourName } from './behaviours';
import { certificateFor, type Certificate } from './certificates';
import { demoPlaces } from './demo-places';

/** Hosts whose certificates are in order. */
export const secureHosts: readonly string[] = [
  'safe.example',
  'rooms.meetings.example',
  'keys.benthos.example',
  'data.rivergauges.example',
  'glossary.streamnotes.example',
  'gear.streamnotes.example',
  'safety.streamnotes.example',
  'sheets.oldmaps.example',
  'sounds.tarn-hollow.example',
];
const selfSigned = 'self-signed.example';
const expired = 'expired.example';
const longAgo = new Date('2020-03-01T00:00:00Z');

/** Any public address does: where a map is used nothing is ever sent to it. */
const somewhere = ['5.5.5.5'];

/** Where the outside web is, as the application reads it. */
export interface OutsideMap {
  readonly address: string;
  readonly http: number;
  readonly https: number;
  readonly trusts: string;
  readonly names: Readonly<Record<string, readonly string[]>>;
}
export interface OutsideWeb {
  readonly map: OutsideMap;
  /** The most requests that were under way at the same time, by host. */
  readonly most: ReadonlyMap<string, number>;
  /** How many requests came, by host. */
  readonly requests: ReadonlyMap<string, number>;
  close(): Promise<void>;
}

/** Keeps count of who asks for what. */
class Visitors {
  readonly most = new Map<string, number>();
  readonly requests = new Map<string, number>();
  private readonly now = new Map<string, number>();
  private readonly asked = new Map<string, number>();

  /** A request comes; says how often this address was asked before. */
  enter(host: string, path: string, response: ServerResponse): number {
    const now = (this.now.get(host) ?? 0) + 1;
    this.now.set(host, now);
    this.most.set(host, Math.max(this.most.get(host) ?? 0, now));
    this.requests.set(host, (this.requests.get(host) ?? 0) + 1);
    response.once('close', () => this.now.set(host, (this.now.get(host) ?? 1) - 1));
    const before = this.asked.get(host + path) ?? 0;
    this.asked.set(host + path, before + 1);
    return before;
  }
}

/** The outside web, on this computer alone; ports 0 take any that are free. */
export async function startOutsideWeb(ports = { http: 0, https: 0 }): Promise<OutsideWeb> {
  const visitors = new Visitors();
  const answer = (request: IncomingMessage, response: ServerResponse) => {
    const host = (request.headers.host ?? '').replace(/:\d+$/, '').toLowerCase();
    const path = request.url ?? '/';
    const before = visitors.enter(host, path, response);
    const { name, rest } = behaviourOf(host, path);
    behaviours[name]({ request, response, rest, before });
  };
  const good = await certificateFor(secureHosts);
  const others = new Map<string, Certificate>([
    [selfSigned, await certificateFor([selfSigned])],
    [expired, await certificateFor([expired], longAgo)],
  ]);
  const plain = createServer(answer);
  const secure = createSecureServer(
    {
      ...good,
      SNICallback: (name, done) => done(null, createSecureContext(others.get(name) ?? good)),
    },
    answer,
  );
  secure.on('tlsClientError', () => undefined);
  const [http, https] = [await listen(plain, ports.http), await listen(secure, ports.https)];
  return {
    map: {
      address: '127.0.0.1',
      http,
      https,
      trusts: `${good.cert}\n${others.get(expired)?.cert ?? ''}`,
      names: { '.example': somewhere, '.nowhere.example': [], 'inside.example': ['10.0.0.7'] },
    },
    most: visitors.most,
    requests: visitors.requests,
    close: async () => {
      await Promise.all([shut(plain), shut(secure)]);
    },
  };
}

function behaviourOf(host: string, path: string): { readonly name: BehaviourName; readonly rest: string } {
  const { pathname } = new URL(path, 'http://host');
  const known = entryOf(demoPlaces, host + pathname);
  if (known) return { name: known, rest: pathname.slice(1) };
  const [, first = '', ...rest] = pathname.split('/');
  if (isBehaviour(first)) return { name: first, rest: rest.join('/') };
  return { name: 'fine', rest: pathname.slice(1) };
}

const listen = (server: Server, port: number): Promise<number> =>
  new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve((server.address() as AddressInfo).port));
  });

const shut = (server: Server): Promise<void> =>
  new Promise((resolve) => {
    server.close(() => resolve());
    server.closeAllConnections();
  });
