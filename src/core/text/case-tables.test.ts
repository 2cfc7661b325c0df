import { cssAddresses } from './css-addresses';
import { hasCopyMark, textKey, titleKey } from './normalise';
import { scanHtml, srcsetAddresses } from './scan-html';
import { wordCodes } from './shingles';

describe('scanHtml', () => {
  test('takes the text without title, scripts and comments; what stands behind the body’s end belongs to it (WHATWG HTML, 13.2.6.4.19)', () => {
    const scan = scanHtml(
      '<html><head><title>Gauge &amp; tape</title><style>p{}</style></head><body><p>Read <b>the</b> gauge</p><!-- no -->' +
        '<script>var a="<p>x</p>"</script><p>twice&nbsp;daily</p></body></html>tail',
    );
    expect(scan.title).toBe('Gauge & tape');
    expect(scan.text.trim().split(/\n+/)).toEqual(['Read the gauge', 'twice\u00a0daily', 'tail']);
  });
  test('a fragment without body is all text', () => {
    expect(scanHtml('Plain <i>words</i>').text).toBe('Plain words');
    // WHATWG HTML, 13.2.5.2 (RCDATA) and 13.2.5.73 (a named reference without a semicolon, in text and in an attribute).
    expect(scanHtml('<textarea>&lt;b&gt; &amp; c</textarea> &copy 2025&#10;x').text).toBe(
      '<b> & c © 2025\nx',
    );
    expect(scanHtml('<a href="x?a=1&copy=2&amp;b=3">x</a>').addresses[0]!.value).toBe('x?a=1&copy=2&b=3');
  });
  test.each([
    ['<a href="a.html">', 'href', 'a.html'],
    ["<a HREF='a.html?x=1&amp;y=2#f'>", 'href', 'a.html?x=1&y=2#f'],
    ['<img src=pic.png>', 'src', 'pic.png'],
    ['<img src=" pic one.png ">', 'src', 'pic one.png'],
    ['<video poster="p.jpg">', 'poster', 'p.jpg'],
    ['<object data="d.svg">', 'data', 'd.svg'],
    ['<form action="f.html">', 'action', 'f.html'],
    ['<blockquote cite="c.html">', 'cite', 'c.html'],
    ['<td background="b.gif">', 'background', 'b.gif'],
    ['<div style="background:url(\'s.png\')">', 'style', 's.png'],
    ['<style>@import "base.css";</style>', 'style', 'base.css'],
    ['<link rel=stylesheet href=x.css>', 'href', 'x.css'],
    ['<a href="&#97;.html">', 'href', 'a.html'],
  ])('finds the address in %s', (html, attribute, value) => {
    const [found, ...rest] = scanHtml(html).addresses;
    expect(rest).toEqual([]);
    expect(found).toMatchObject({ attribute, value });
    const raw = html.slice(found!.start, found!.end);
    expect(raw.includes('&') || raw.trim() === value).toBe(true);
  });
  test('the offsets of an address cover its raw spelling', () => {
    const html = '<p><a class="x" href="one.html">1</a> <img alt="" src="two.png"></p>';
    expect(scanHtml(html).addresses.map((a) => html.slice(a.start, a.end))).toEqual(['one.html', 'two.png']);
  });
  test('a data attribute of another element is no address', () => {
    expect(scanHtml('<div data="x" data-src="y.png">').addresses).toEqual([]);
  });
  test('a base element is told apart', () => {
    expect(scanHtml('<base href="../img/"><img src="a.png">')).toMatchObject({
      base: '../img/',
      addresses: [{ value: 'a.png' }],
    });
  });
});

test('srcset: every candidate, with its place', () => {
  const value = 'a.png 1x, b.png 2x,c.png 300w';
  const found = srcsetAddresses(value);
  expect(found.map((f) => f.value)).toEqual(['a.png', 'b.png', 'c.png']);
  expect(found.map((f) => value.slice(f.start, f.end))).toEqual(['a.png', 'b.png', 'c.png']);
});

test('style sheets: quoted, bare, imported; not in comments', () => {
  const css = '@import "a.css"; b{background:url(b.png)} c{src:url("c d.woff")} /* url(no.png) */';
  expect(cssAddresses(css).map((f) => [f.value, css.slice(f.start, f.end)])).toEqual([
    ['a.css', 'a.css'],
    ['b.png', 'b.png'],
    ['c d.woff', 'c d.woff'],
  ]);
});

describe('normalising', () => {
  test.each([
    ['Read the  Gauge', 'read the gauge', true],
    ['ﬁeld', 'FIELD', true],
    ['a\u00a0b', 'a b', true],
    ['gauge', 'gage', false],
  ])('textKey(%j) against %j', (a, b, equal) => {
    expect(textKey(a) === textKey(b)).toBe(equal);
  });
  test('titles keep their words apart', () => {
    expect(titleKey(' Week\u00a01 \n Notes')).toBe('week 1 notes');
    expect(titleKey('Week 11')).not.toBe(titleKey('Week 1 1'));
  });
  test('words are runs of letters and digits', () => {
    expect(wordCodes('Kick-net, 3 sites: naïve.')).toHaveLength(5);
    expect(wordCodes(' … ')).toHaveLength(0);
  });
  test.each(['Copy of Gauge', 'Gauge - Copy', 'Gauge copy 2', 'Gauge (2)', 'gauge (2).pdf', 'Gauge (copy)'])(
    '%s is a copy',
    (t) => expect(hasCopyMark(t)).toBe(true),
  );
  test.each(['Gauge 2', 'Copyright', 'Photocopy', 'Lab (2027)', 'Hard copies', 'Copying a key'])(
    '%s is none',
    (t) => expect(hasCopyMark(t)).toBe(false),
  );
});
