// One plain pass over a package with built-ins only: inflate, SHA-256 of every entry, a linear scan that strips tags from
// the pages. The measure that reading and auditing are held against.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { inflateRawSync } from 'node:zlib';

const file = readFileSync(process.argv[2]);
let end = file.length - 22;
while (file.readUInt32LE(end) !== 0x06054b50) end -= 1;
let count = file.readUInt16LE(end + 10);
let at = file.readUInt32LE(end + 16);
if (at === 0xffffffff || count === 0xffff) {
  const zip64 = Number(file.readBigUInt64LE(end - 20 + 8));
  count = Number(file.readBigUInt64LE(zip64 + 32));
  at = Number(file.readBigUInt64LE(zip64 + 48));
}
let bytes = 0;
let text = 0;
const sums = createHash('sha256');
for (let i = 0; i < count; i += 1) {
  const method = file.readUInt16LE(at + 10);
  const packed = file.readUInt32LE(at + 20);
  const nameLength = file.readUInt16LE(at + 28);
  const local = file.readUInt32LE(at + 42);
  const name = file.toString('utf8', at + 46, at + 46 + nameLength);
  at += 46 + nameLength + file.readUInt16LE(at + 30) + file.readUInt16LE(at + 32);
  const start = local + 30 + file.readUInt16LE(local + 26) + file.readUInt16LE(local + 28);
  const raw = file.subarray(start, start + packed);
  const body = method === 8 ? inflateRawSync(raw) : raw;
  bytes += body.length;
  sums.update(createHash('sha256').update(body).digest());
  if (/\.x?html?$/i.test(name)) text += withoutTags(body.toString('utf8')).length;
}
process.stdout.write(JSON.stringify({ entries: count, bytes, text, sum: sums.digest('hex') }));

function withoutTags(html) {
  let out = '';
  let from = 0;
  for (;;) {
    const open = html.indexOf('<', from);
    if (open < 0) return out + html.slice(from);
    out += html.slice(from, open);
    const close = html.indexOf('>', open);
    if (close < 0) return out;
    from = close + 1;
  }
}
