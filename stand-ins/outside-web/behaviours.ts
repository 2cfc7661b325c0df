import type { IncomingMessage, ServerResponse } from 'node:http';

/** How an address of the outside web answers; the first part of its path says which, the rest is its own name. */
export interface Asked {
  readonly request: IncomingMessage;
  readonly response: ServerResponse;
  /** The path behind the behaviour’s name. */
  readonly rest: string;
  /** How often this address was asked by GET or HEAD before. */
  readonly before: number;
}
type Behaviour = (asked: Asked) => void;

const page = (title: string, text: string): string =>
  `<!doctype html><html lang="en"><head><title>${title}</title></head><body><h1>${title}</h1><p>${text}</p></body></html>`;

function send({ request, response }: Asked, status: number, body: string, headers: object = {}): void {
  response.writeHead(status, { 'content-type': 'text/html; charset=utf-8', ...headers });
  response.end(request.method === 'HEAD' ? undefined : body);
}
const lead =
  (status: number, to: (rest: string) => string): Behaviour =>
  (asked) =>
    send(asked, status, '', { location: to(asked.rest) });
const saying =
  (status: number, title: string, headers: object = {}): Behaviour =>
  (asked) =>
    send(asked, status, page(title, `What you asked for is called ${asked.rest || 'nothing'}.`), headers);

const isHead = ({ request }: Asked): boolean => request.method === 'HEAD';
const fine = saying(200, 'Field notes');

/** Every way in which an address of the outside web may answer. */
export const behaviours = {
  fine,
  document: (asked) => send(asked, 200, '%PDF-1.7', { 'content-type': 'application/pdf' }),
  moved: lead(301, (rest) => `/fine/${rest}`),
  'moved-twice': lead(308, (rest) => `/moved/${rest}`),
  'for-now': lead(302, (rest) => `/fine/${rest}`),
  'moved-to-gone': lead(301, (rest) => `/gone/${rest}`),
  gone: saying(404, 'Page not found'),
  'gone-as-text': (asked) => send(asked, 404, 'Not found', { 'content-type': 'text/plain' }),
  'gone-as-json': (asked) => send(asked, 404, '{"error":404}', { 'content-type': 'application/json' }),
  'gone-with-nothing': (asked) => {
    asked.response.writeHead(404);
    asked.response.end();
  },
  /** A document whose server knows nothing of HEAD. */
  'document-no-head': (asked) =>
    isHead(asked)
      ? send(asked, 405, '', { 'content-type': 'text/plain' })
      : send(asked, 200, '%PDF-1.7', { 'content-type': 'application/pdf' }),
  /** Says that it is packed, and is not. */
  'badly-packed': (asked) => send(asked, 200, 'no gzip at all', { 'content-encoding': 'gzip' }),
  'gone-for-good': saying(410, 'Gone'),
  'sign-in': saying(401, 'Who are you?', { 'www-authenticate': 'Basic realm="readers"' }),
  forbidden: saying(403, 'Readers only'),
  'to-sign-in': lead(302, (rest) => `/login?next=${encodeURIComponent(rest)}`),
  login: saying(200, 'Sign in'),
  loop: lead(302, (rest) => `/loop-back/${rest}`),
  'loop-back': lead(302, (rest) => `/loop/${rest}`),
  endless: lead(302, (rest) => `/endless/${rest}x`),
  /** Never answers. */
  slow: () => undefined,
  fault: saying(500, 'Something broke'),
  /** Fails once, then is fine again. */
  shaky: (asked) => (asked.before === 0 ? saying(503, 'Back soon')(asked) : fine(asked)),
  busy: saying(429, 'Slower, please', { 'retry-after': '0' }),
  /** Too busy once. */
  hurried: (asked) =>
    asked.before === 0 ? saying(429, 'Slower', { 'retry-after': '0' })(asked) : fine(asked),
  drops: ({ response }) => response.socket?.destroy(),
  /** Knows nothing of HEAD. */
  'no-head': (asked) => (isHead(asked) ? saying(405, 'GET only')(asked) : fine(asked)),
  /** Says to HEAD that nothing is there, and is wrong. */
  'head-says-gone': (asked) => (isHead(asked) ? saying(404, 'No')(asked) : fine(asked)),
  /** Says to HEAD that all is well, and is wrong. */
  lies: (asked) => (isHead(asked) ? fine(asked) : saying(404, 'Page not found')(asked)),
  /** Answers with 200 and a page that says that nothing is there. */
  'says-gone': saying(200, 'Sorry, this page could not be found'),
  'to-start': lead(302, () => '/'),
  'meeting-ended': saying(200, 'This meeting has ended'),
  'meeting-open': saying(200, 'Lab section A meets here'),
  /** Leads into the network of whoever asks. */
  'to-private': lead(302, () => 'http://192.168.0.1/admin'),
  'to-loopback': lead(302, () => 'http://127.0.0.1:1/'),
  /** A page without an end. */
  huge: (asked) => {
    asked.response.writeHead(200, { 'content-type': 'text/html' });
    if (isHead(asked)) return asked.response.end();
    pour(asked.response);
  },
  /** Redirects to what is no web address. */
  'to-nonsense': lead(302, () => 'http://[nowhere'),
} satisfies Record<string, Behaviour>;
export type BehaviourName = keyof typeof behaviours;

export const isBehaviour = (name: string): name is BehaviourName => Object.hasOwn(behaviours, name);

function pour(response: ServerResponse): void {
  while (!response.destroyed && response.write('<p>More and more of it. </p>'.repeat(400))) continue;
  if (!response.destroyed) response.once('drain', () => pour(response));
}
