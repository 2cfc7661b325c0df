import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Marked } from 'marked';
import { rootFolder } from '@/services/keep/desks/app-context';

/** The pages of the guide, in the order of the work, with what each is called. */
export const guidePages = {
  '': 'Guide',
  'bring-in': 'Bring in',
  comb: 'Comb',
  decide: 'Decide',
  rehearse: 'Rehearse',
  'carry-out': 'Carry out',
  prove: 'Prove',
  'many-shells': 'Many shells',
  'house-rules': 'House rules',
  recipes: 'Recipes',
} as const;
export type GuidePage = keyof typeof guidePages;
export const isGuidePage = (name: string): name is GuidePage => Object.hasOwn(guidePages, name);

/** Pictures stand in the documentation alone: in the application the screens themselves are at hand. */
const reader = new Marked({
  renderer: {
    image: () => '',
    heading({ tokens, depth }) {
      const text = this.parser.parseInline(tokens);
      const id = text
        .toLowerCase()
        .replace(/[^\p{L}\p{N}]+/gu, '-')
        .replace(/^-|-$/g, '');
      return `<h${depth} id="${id}">${text}</h${depth}>\n`;
    },
    link({ href, tokens }) {
      const text = this.parser.parseInline(tokens);
      const page = /^(?:\.\/)?([a-z-]+)\.md(#.*)?$/.exec(href);
      const name = page?.[1] === 'README' ? '' : page?.[1];
      if (name === undefined || !isGuidePage(name)) return text;
      return `<a href="/guide/${name}${page?.[2] ?? ''}">${text}</a>`;
    },
  },
});

/** A page of the guide as HTML, made from docs/guide alone. */
export function guideHtml(page: GuidePage): string {
  const file = join(rootFolder(), 'docs/guide', `${page === '' ? 'README' : page}.md`);
  return reader.parse(readFileSync(file, 'utf8'), { async: false });
}
