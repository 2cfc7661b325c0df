import { readManifest } from './read-manifest';

const manifest = (outline: string, resources = '') =>
  `<manifest identifier="m" xmlns="http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1"><metadata><schema>IMS Common Cartridge</schema>
   <schemaversion>1.3.0</schemaversion></metadata><organizations><organization identifier="o" structure="rooted-hierarchy">${outline}</organization></organizations>
   <resources>${resources}</resources></manifest>`;

test.each([
  ['without children', '<item identifier="root"/>', []],
  ['with an empty title', '<item identifier="root"><title> </title></item>', []],
  ['with a child', '<item identifier="root"><item identifier="a"><title>A</title></item></item>', ['a']],
])('an untitled root %s is no item', (_, outline, items) => {
  const read = readManifest(manifest(outline));
  expect(read.ok && [read.value.rootItemId, read.value.items.map((i) => i.identifier)]).toEqual([
    'root',
    items,
  ]);
});

test('a titled item alone is an item', () => {
  const read = readManifest(manifest('<item identifier="a"><title>Week 1</title></item>'));
  expect(read.ok && [read.value.rootItemId, read.value.items.map((i) => i.identifier)]).toEqual([
    null,
    ['a'],
  ]);
});

test('repeated slashes in an href count as one', () => {
  const resource =
    '<resource identifier="r" type="webcontent" href="a//b.html"><file href="a//b.html"/></resource>';
  const read = readManifest(manifest('', resource));
  expect(read.ok && read.value.resources.map((r) => [r.href, r.files])).toEqual([['a/b.html', ['a/b.html']]]);
});
