import { deflateSync, crc32 } from 'node:zlib';

/** A small PNG (PNG 1.2) of a hillside and a stream in colours that `seed` chooses: every seed gives other bytes. */
export function picture(seed: number, width = 96, height = 64): Buffer {
  const rows: Buffer[] = [];
  const hue = (seed * 47) % 200;
  for (let y = 0; y < height; y += 1) {
    const row = Buffer.alloc(1 + width * 3);
    for (let x = 0; x < width; x += 1) {
      const bank = Math.sin((x + seed * 3) / 13) * 6 + height * 0.55;
      const water = Math.abs(y - bank - 8) < 5 + ((seed + x) % 3);
      const grain = (x * 7 + y * 13 + seed * 31) % 17;
      const land = y < bank ? [200 - hue / 4, 205, 190 + grain] : [110 + (hue % 60), 120 + grain, 70];
      const [r = 0, g = 0, b = 0] = water ? [90 + grain, 130 + (hue % 40), 150 + grain] : land;
      row.set([r & 255, g & 255, b & 255], 1 + x * 3);
    }
    rows.push(row);
  }
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header.set([8, 2, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(Buffer.concat(rows))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

function chunk(type: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const size = Buffer.alloc(4);
  size.writeUInt32BE(data.length);
  const check = Buffer.alloc(4);
  check.writeUInt32BE(crc32(body));
  return Buffer.concat([size, body, check]);
}
