import { Tokenizer } from 'htmlparser2';

/** What the tokenizer tells of a text; offsets in it, end excluded. */
export type TokenHandlers = Partial<ConstructorParameters<typeof Tokenizer>[1]>;

const ignore = () => undefined;

/**
 * Runs through a text once, the way a browser's tokenizer does (WHATWG HTML, 13.2.5). References stay as they are
 * written: who wants them decodes them piece by piece, since the tokenizer then runs over text at one look a character.
 */
export function tokenizeHtml(html: string, handlers: TokenHandlers): void {
  const tokenizer = new Tokenizer(
    { xmlMode: false, decodeEntities: false },
    {
      onopentagname: ignore,
      onattribname: ignore,
      onattribdata: ignore,
      onattribentity: ignore,
      onattribend: ignore,
      onopentagend: ignore,
      onselfclosingtag: ignore,
      onclosetag: ignore,
      ontext: ignore,
      ontextentity: ignore,
      oncdata: ignore,
      oncomment: ignore,
      ondeclaration: ignore,
      onprocessinginstruction: ignore,
      onend: ignore,
      ...handlers,
    },
  );
  tokenizer.write(html);
  tokenizer.end();
}
