/** A text as it stands between tags (HTML, 13.2.5.1: the data state ends at `<` and `&`). */
export const escapeText = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/** A value as it stands between quotation marks of either kind in a tag (HTML, 13.2.5.36 and 13.2.5.37). */
export const escapeAttribute = (value: string): string =>
  value.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/'/g, '&#39;');
