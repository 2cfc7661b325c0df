import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { defaultTreeAdapter, parse, type DefaultTreeAdapterTypes } from 'parse5';
import { scanHtml } from './scan-html';
import { sentenceAround } from './sentence';

type Node = DefaultTreeAdapterTypes.Node;
const { isElementNode, isTextNode } = defaultTreeAdapter;

/** What parse5, a parser that keeps to the HTML standard word for word, makes of a page. */
function byStandard(html: string) {
  const addresses: string[] = [];
  const alts: string[] = [];
  const headings: string[] = [];
  let text = '';
  let title = '';
  const heading: string[] = [];
  const visit = (node: Node, silent: boolean) => {
    if (isTextNode(node)) {
      if (!silent) text += node.value;
      if (!silent) heading.forEach((_, i) => (heading[i] += node.value));
      if (node.parentNode && isElementNode(node.parentNode) && node.parentNode.tagName === 'title')
        title += node.value;
      return;
    }
    if (isElementNode(node)) {
      for (const { name, value } of node.attrs) {
        if (
          ['href', 'src', 'poster', 'action', 'cite', 'background'].includes(name) &&
          node.tagName !== 'base'
        )
          addresses.push(value.trim());
        if (name === 'alt' && value.trim()) alts.push(value.trim());
      }
      const isHeading = /^h[1-6]$/.test(node.tagName);
      if (isHeading) heading.push('');
      for (const child of node.childNodes)
        visit(
          child,
          silent || ['head', 'script', 'style', 'title', 'template', 'noscript'].includes(node.tagName),
        );
      if (isHeading) headings.push(heading.pop()!);
    } else if ('childNodes' in node) for (const child of node.childNodes) visit(child, silent);
  };
  visit(parse(html, { scriptingEnabled: false }), false);
  return { addresses, alts, headings, text, title };
}
// A link that is left open is made anew in every paragraph behind it (13.2.6.1): once written, many in the tree.
const distinct = (list: readonly string[]) => [...new Set(list)];
const close = (text: string) => text.replace(/\s+/g, '');

const root = join(process.cwd(), '.cache/doc-tree/usr/share/doc/sqlite3');
const pages = existsSync(root)
  ? readdirSync(root)
      .filter((n) => n.endsWith('.html'))
      .sort()
  : [];

// The reference is parse5 7.3 (WHATWG HTML, 13.2) on the real pages of Debian's package sqlite3-doc.
test('cells of a row, and a term with its description, are read as one sentence; rows are not', () => {
  const sentencesOf = (html: string, word: string) => {
    const { text } = scanHtml(html);
    const at = text.indexOf(word);
    return sentenceAround(text, at, at + word.length)
      .text.replace(/\s+/g, ' ')
      .trim();
  };
  const table =
    '<table><tr><th>Task</th><th>Due</th></tr><tr><td><p>Report.</p></td>\n <td><p>12 May</p></td></tr></table>';
  expect(sentencesOf(table, '12 May')).toBe('Report. 12 May');
  expect(sentencesOf(table, 'Task')).toBe('Task Due');
  const list = '<dl><dt>Exam</dt>\n<dd>12 May</dd><dt>Lab</dt><dd>Room 4</dd></dl>';
  expect(sentencesOf(list, '12 May')).toBe('Exam 12 May');
  expect(sentencesOf('<p>One</p><p>Two</p>', 'Two')).toBe('Two');
});

test('on all real pages it finds the same words, addresses, titles, headings and alternative texts as parse5', () => {
  expect(pages.length).toBeGreaterThan(200);
  let addresses = 0;
  for (const name of pages) {
    const html = readFileSync(join(root, name), 'utf8');
    const scan = scanHtml(html);
    const wanted = byStandard(html);
    addresses += wanted.addresses.length;
    const marked = scan.marks
      .filter((m) => m.is === 'heading')
      .map((m) => close(scan.text.slice(m.start, m.end)));
    expect({
      name,
      addresses: distinct(scan.addresses.filter((a) => a.context === 'html').map((a) => a.value)),
      alts: scan.alts,
      headings: marked,
      text: close(scan.text),
      title: close(scan.title),
    }).toEqual({
      name,
      addresses: distinct(wanted.addresses),
      alts: wanted.alts,
      headings: wanted.headings.map(close),
      text: close(wanted.text),
      title: close(wanted.title),
    });
  }
  expect(addresses).toBeGreaterThan(5000);
});

test.each([
  '<p>a&amp;b &lt;c&gt; &eacute;&#233;&#xe9; &notit; &copy2</p>',
  '<p title="x">1 &amp 2</p><img alt="A &amp; B" src="a.png?x=1&amp;y=2">',
  '<a href=bare.html?x=1&copy=2>t</a><a href=\'q.html\'>u</a><a HREF = "r.html" >v</a>',
  '<h2>One <b>two</b></h2>three<h3>four</h3>',
  '<script>if (a < b) document.write("<a href=no.html>")</script><style>p{}</style><p>seen</p>',
  '<textarea>&lt;not a tag&gt; <b></textarea><p>after</p>',
  '<!-- <a href="no.html">x</a> --><p>kept</p><![CDATA[gone]]>',
  'text without any tag &amp; more',
  '<title>T &amp; U</title><body><p>v</body>',
])('%s', (html) => {
  const scan = scanHtml(html);
  const wanted = byStandard(html);
  expect([close(scan.text), scan.addresses.map((a) => a.value), scan.alts, close(scan.title)]).toEqual([
    close(wanted.text),
    wanted.addresses,
    wanted.alts,
    close(wanted.title),
  ]);
});
