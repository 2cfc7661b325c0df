import { isOwnHost, isOwnOrigin } from './own-host';

test.each(['localhost:4140', '127.0.0.1:4140', '127.0.0.1', '[::1]:4140'])('%s is this computer', (host) =>
  expect(isOwnHost(host)).toBe(true),
);
test.each([null, '', 'example.org', 'localhost.example.org', '127.0.0.1.example.org:4140', '10.0.0.1'])(
  '%s is not',
  (host) => expect(isOwnHost(host)).toBe(false),
);

test.each<[string | null, string | null, string | null, boolean]>([
  ['http://127.0.0.1:4140', '127.0.0.1:4140', 'same-origin', true],
  [null, '127.0.0.1:4140', null, true],
  ['http://example.org', '127.0.0.1:4140', null, false],
  ['http://localhost:9999', 'localhost:4140', null, false],
  ['null', 'localhost:4140', null, false],
  [null, 'localhost:4140', 'cross-site', false],
  ['http://evil.example', 'evil.example', 'same-origin', false],
])('origin %s at host %s (%s) is own: %s', (origin, host, site, isOwn) =>
  expect(isOwnOrigin(origin, host, site)).toBe(isOwn),
);
