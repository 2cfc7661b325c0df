import DOMPurify from 'dompurify';
import { markWords } from './mark-words';

export interface CleanedPage {
  /** A whole document for a frame. */
  readonly page: string;
  /** How many of the asked words are marked in it. */
  readonly marked: number;
}

/** What is no text, picture or table has no place in a preview. */
const forbidden = [
  'audio', 'base', 'button', 'canvas', 'dialog', 'embed', 'form', 'iframe', 'input', 'link', 'math', 'meta', 'object',
  'select', 'source', 'style', 'svg', 'textarea', 'title', 'video',
]; // prettier-ignore

/**
 * A page of a package made fit to be shown: nothing in it runs, nothing in it is fetched, no link leads away. Pictures
 * stand in it by value; what is not among them shows its alternative text.
 */
export function cleanPage(
  html: string,
  pictures: Readonly<Record<string, string>>,
  words: readonly string[],
): CleanedPage {
  const cleaned = DOMPurify.sanitize(html, { FORBID_TAGS: forbidden, FORBID_ATTR: ['srcset'] });
  // A document of its own fetches nothing while it is worked on.
  const { body } = new DOMParser().parseFromString(cleaned, 'text/html');
  for (const picture of body.querySelectorAll('img')) {
    const address = pictures[picture.getAttribute('src') ?? ''];
    if (address === undefined) picture.removeAttribute('src');
    else picture.setAttribute('src', address);
    picture.setAttribute('style', 'max-width: 100%; height: auto');
  }
  for (const link of body.querySelectorAll('a')) {
    link.setAttribute('title', link.getAttribute('href') ?? '');
    link.removeAttribute('href');
    link.setAttribute('style', 'text-decoration: underline');
  }
  const marked = markWords(body, words);
  for (const mark of body.querySelectorAll('mark')) mark.setAttribute('style', 'background: #f4cf9b');
  const look = 'font: 15px/1.5 sans-serif; margin: 14px 18px; background: #fff; color: #1a1a1a';
  return {
    page: `<!doctype html><html lang="en"><head><title>Preview</title></head><body style="${look}">${body.innerHTML}</body></html>`,
    marked,
  };
}
