let units = new Uint16Array(65_536);
let bytes = Buffer.from(units.buffer);

/**
 * The UTF-16 code units of a text in an array that is used again with the next text; only the first `text.length` count.
 * A loop over an array is several times quicker than one that asks a string for each character, and most of a shell is
 * read that way. The bytes lie in the machine's own order, which is little-endian wherever Node runs today.
 */
export function codeUnits(text: string): Uint16Array {
  if (units.length < text.length) {
    units = new Uint16Array(text.length * 2);
    bytes = Buffer.from(units.buffer);
  }
  bytes.write(text, 'utf16le');
  return units;
}
