import { hostOf } from '@/core/checks/outdated/hosts';
import { webAddressKey } from './web-address';

test.each([
  ['http://water.example/gauge', 'https://water.example/gauge/'],
  ['http://water.example:80/gauge', 'https://WATER.example:443/gauge'],
  ['//water.example/gauge', 'https://water.example/gauge?utm_source=mail'],
  ['https://water.example', 'http://water.example/'],
])('%s is the address %s', (one, other) => expect(webAddressKey(one)).toBe(webAddressKey(other)));

test.each([
  ['https://water.example/gauge#today', 'https://water.example/gauge#week'],
  ['https://water.example:8443/gauge', 'https://water.example/gauge'],
  ['https://water.example/gauge?id=1', 'https://water.example/gauge?id=2'],
  ['ftp://water.example/gauge', 'https://water.example/gauge'],
])('%s is not the address %s', (one, other) => expect(webAddressKey(one)).not.toBe(webAddressKey(other)));

// RFC 3986, 4.2: a reference that begins with two slashes names a host.
test.each([
  ['//Campus.example/shell/7', 'campus.example'],
  ['http://campus.example:8080/x', 'campus.example'],
  ['mailto:desk@campus.example', null],
  ['campus.example/x', null],
])('the host of %s is %s', (address, host) => expect(hostOf(address)).toBe(host));
