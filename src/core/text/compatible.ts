/** Letters and figures in their plain form: wide, circled and joined ones are the same sign (Unicode Standard Annex 15, NFKC). */
export const compatible = (text: string): string =>
  /^[\x00-\x7f]*$/.test(text) ? text : text.normalize('NFKC');
