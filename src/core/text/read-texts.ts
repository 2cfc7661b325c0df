import { elementAt } from '@/core/sure';
import { mentionCues, mentionsIn, type Mentions } from './mentions';
import { scanHtml, type Markup } from './scan-html';
import { readWords } from './shingles';
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
  const words: Uint32Array[] = [];
  const readings = texts.map((html): TextReading => {
    const { text, addresses, base, title, alts, marks } = scanHtml(html);
    const { codes, cues } = readWords(text, mentionCues);
    plain.push(text);
    words.push(codes);
    return {
      markup: { addresses, base, title, alts, marks },
      blank: text.trim() === '',
      mentions: mentionsIn(text, marks, cues),
    };
  });
  const wording =
    plain.length === 1
      ? wordingOfText(elementAt(plain, 0), elementAt(words, 0))
      : wordingOfText(plain.join('\n'), joined(words));
  return { texts: readings, wording };
}

function joined(parts: readonly Uint32Array[]): Uint32Array {
  const all = new Uint32Array(parts.reduce((n, p) => n + p.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}
