import fc from 'fast-check';
import { defaultTreeAdapter as tree, parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import { escapeAttribute, escapeText } from './escape-markup';

// Held against parse5 7.3 (WHATWG HTML, 13.2). A parser makes one line end of two and drops NUL, which is no part of a title.
const plain = fc.string({ unit: 'binary' }).map((text) => text.replace(/[\r\0]/g, ''));

test('what was escaped is read as it was, as text and in either kind of quotation marks', () => {
  fc.assert(
    fc.property(plain, (text) => {
      const [p] = parseFragment(`<p>${escapeText(text)}</p>`).childNodes as [DefaultTreeAdapterTypes.Element];
      expect(p.childNodes.map((node) => (tree.isTextNode(node) ? node.value : '')).join('')).toBe(text);
      for (const mark of ['"', "'"]) {
        const [a] = parseFragment(`<a title=${mark}${escapeAttribute(text)}${mark}></a>`).childNodes as [
          DefaultTreeAdapterTypes.Element,
        ];
        expect(a.attrs).toEqual([{ name: 'title', value: text }]);
      }
    }),
    { numRuns: 500 },
  );
});
