import { readdirSync } from 'node:fs';
import { guideHtml, guidePages, isGuidePage } from './guide-page';

const names = Object.keys(guidePages).filter(isGuidePage);

test('every page of the guide is shown, and every page that is shown is there', () => {
  const files = readdirSync('docs/guide').map((name) => name.replace(/\.md$/, ''));
  expect(names.map((name) => (name === '' ? 'README' : name)).sort()).toEqual(files.sort());
});

test.each(names)('“%s” has one heading, no picture, and links that stay in the guide', (name) => {
  const html = guideHtml(name);
  expect(html.match(/<h1 /g)).toHaveLength(1);
  expect(html).not.toMatch(/<img|<script/);
  const links = [...html.matchAll(/href="([^"]*)"/g)].map((match) => match[1] ?? '');
  for (const link of links) expect(isGuidePage(link.replace(/^\/guide\//, '').replace(/#.*/, ''))).toBe(true);
});

test('a heading can be led to', () => {
  expect(guideHtml('prove')).toContain('<h2 id="the-link-probe">');
});
