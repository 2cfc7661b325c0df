import { entryOf } from '@/core/entries';
import sanitize from 'sanitize-html';

/** Elements that a preview shows: text, lists, tables and pictures. All else goes, its text stays. */
const shownTags = [...sanitize.defaults.allowedTags, 'img', 'del', 'ins', 'details', 'summary'].filter(
  (tag) => tag !== 'iframe',
);

/** Elements that go with all that is in them. */
const silentTags = [
  'script',
  'style',
  'textarea',
  'option',
  'noscript',
  'title',
  'template',
  'svg',
  'math',
  'object',
];

/**
 * A page of a package made fit to be shown: nothing in it can run, nothing is fetched, no link leads away. Pictures
 * stand in it by value, by the addresses that the page has for them; any other shows its alternative text.
 */
export function cleanPage(html: string, pictures: Readonly<Record<string, string>>): string {
  return sanitize(html, {
    allowedTags: shownTags,
    nonTextTags: silentTags,
    allowedAttributes: {
      a: ['title', 'style'],
      img: ['src', 'alt', 'width', 'height', 'style'],
      td: ['colspan', 'rowspan'],
      th: ['colspan', 'rowspan', 'scope'],
      ol: ['start', 'type'],
    },
    allowedSchemesByTag: { img: ['data'] },
    parseStyleAttributes: false,
    transformTags: {
      a: (tagName, { href = '' }) => ({
        tagName,
        attribs: { title: href, style: 'text-decoration: underline' },
      }),
      img: (tagName, { src = '', alt = '' }) => {
        const address = entryOf(pictures, src);
        const shown: Record<string, string> = address === undefined ? {} : { src: address };
        return { tagName, attribs: { ...shown, alt, style: 'max-width: 100%; height: auto' } };
      },
    },
  });
}
