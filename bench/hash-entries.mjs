// Milliseconds that SHA-256 alone takes over the entries of a package, unpacking not counted.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { inflateRawSync } from 'node:zlib';

const file = readFileSync(process.argv[2]);
let end = file.length - 22;
while (file.readUInt32LE(end) !== 0x06054b50) end -= 1;
let at = file.readUInt32LE(end + 16);
let spent = 0;
for (let i = file.readUInt16LE(end + 10); i > 0; i -= 1) {
  const packed = file.readUInt32LE(at + 20);
  const local = file.readUInt32LE(at + 42);
  const start = local + 30 + file.readUInt16LE(local + 26) + file.readUInt16LE(local + 28);
  const raw = file.subarray(start, start + packed);
  const body = file.readUInt16LE(at + 10) === 8 ? inflateRawSync(raw) : raw;
  const begun = performance.now();
  createHash('sha256').update(body).digest('hex');
  spent += performance.now() - begun;
  at += 46 + file.readUInt16LE(at + 28) + file.readUInt16LE(at + 30) + file.readUInt16LE(at + 32);
}
process.stdout.write(String(spent));
