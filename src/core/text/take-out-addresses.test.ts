import { scanHtml } from './scan-html';
import { takeOutAddresses } from './take-out-addresses';
import { cssAddresses } from './css-addresses';

const takeOut = (html: string, gone: string) =>
  takeOutAddresses(
    html,
    scanHtml(html).addresses.filter((a) => a.value === gone),
    false,
  );

describe('an address goes with what it belongs to, and nothing else', () => {
  test.each([
    ['a picture', '<p>a <img src="gone.png" alt="pH > 7"> b</p>', '<p>a  b</p>'],
    ['a picture whose text holds both brackets', `<img alt='a < b > c' src=gone.png>x`, 'x'],
    [
      'a link',
      '<a class="x" href="gone.png" title="1 > 0">words</a>',
      '<a class="x" title="1 > 0">words</a>',
    ],
    ['a link without quotes', '<a href=gone.png>words</a>', '<a>words</a>'],
    [
      'one of a set',
      '<img src="a.png" srcset="a.png 1x, gone.png 2x">',
      '<img src="a.png" srcset="a.png 1x">',
    ],
    [
      'the first of a set',
      '<img src="a.png" srcset="gone.png 1x, a.png 2x">',
      '<img src="a.png" srcset=" a.png 2x">',
    ],
    ['all of a set', '<img src="a.png" srcset="gone.png 1x">', '<img src="a.png">'],
    ['a style', `<p style="background:url('gone.png') red">x</p>`, '<p style="background:none red">x</p>'],
    ['an import', '<style>@import url("gone.png"); p{}</style>', '<style> p{}</style>'],
    ['an import without url()', '<style>@import "gone.png" screen;p{}</style>', '<style>p{}</style>'],
    ['two addresses of one picture', '<img src="gone.png" srcset="gone.png 2x">', ''],
    ['a frame', '<iframe src="gone.png" width="3"></iframe>', '<iframe width="3"></iframe>'],
  ])('%s', (_, html, left) => {
    expect(takeOut(html, 'gone.png')).toBe(left);
  });
  test('what is not asked for stays', () => {
    const html = '<a href="stays.html">x</a><img src="stays.png">';
    expect(takeOut(html, 'gone.png')).toBe(html);
  });
  test('an import at the head of a style sheet', () => {
    const css = '@import "gone.css";\nbody{background:url(stays.png)}';
    const addresses = cssAddresses(css)
      .filter((a) => a.value === 'gone.css')
      .map((a) => ({ ...a, attribute: 'style', tag: '', context: 'css' as const }));
    expect(takeOutAddresses(css, addresses, true)).toBe('\nbody{background:url(stays.png)}');
  });
});
