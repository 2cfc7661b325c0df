import { mentionsIn, type Mentions } from './mentions';
import { scanHtml, type Markup } from './scan-html';
import { wordingOfText, type Wording } from './wording';

/** What reading one text comes to. */
export interface TextReading {
  readonly markup: Markup;
  /** No reader sees anything in it. */
  readonly blank: boolean;
  readonly mentions: Mentions;
}

/**
 * What reading the texts of one body comes to: all that the checks ask of every body, without the words themselves,
 * which are scanned again for the few that are shown. It is plain data and made of the texts alone, so that another
 * thread can make it.
 */
export interface BodyReading {
  readonly texts: readonly TextReading[];
  /** Of all texts together. */
  readonly wording: Wording;
}

/** Reads the texts of a body, HTML each. */
export function readTexts(texts: readonly string[]): BodyReading {
  const plain: string[] = [];
  const readings = texts.map((html): TextReading => {
    const { text, ...markup } = scanHtml(html);
    plain.push(text);
    return { markup, blank: text.trim() === '', mentions: mentionsIn(text, markup.marks) };
  });
  return { texts: readings, wording: wordingOfText(plain.length === 1 ? plain[0]! : plain.join('\n')) };
}
