import { markWords } from './mark-words';

/** A cleaned page as a whole document for a frame, with some words marked in it. */
export function pageDocument(html: string, words: readonly string[]): string {
  // A document of its own fetches nothing while it is worked on.
  const { body } = new DOMParser().parseFromString(html, 'text/html');
  markWords(body, words);
  for (const mark of body.querySelectorAll('mark')) mark.setAttribute('style', 'background: #f4cf9b');
  const look = 'font: 15px/1.5 sans-serif; margin: 14px 18px; background: #fff; color: #1a1a1a';
  const head = '<!doctype html><html lang="en"><head><title>Preview</title></head>';
  return `${head}<body style="${look}">${body.innerHTML}</body></html>`;
}
