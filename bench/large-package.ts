// npm run bench:large: reads a package of 1 GB and 20,000 files, held against `unzip -t` plus SHA-256 of the entries.
import { execFileSync } from 'node:child_process';
import { createWriteStream, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { finished } from 'node:stream/promises';
import { build } from 'esbuild';
import yazl from 'yazl';
import { bundleOptions } from '../scripts/bundle-options.mjs';
import { seeded } from '../e2e/generated-package';
import { measure } from './measure';

const files = 20_000;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-large-'));
const path = join(folder, 'large.imscc');

/** A fifth are pages of 4 kB, the rest data of about 64 kB that packs to about two thirds. */
async function write(): Promise<void> {
  const zip = new yazl.ZipFile();
  const written = zip.outputStream.pipe(createWriteStream(path));
  const random = seeded(7);
  const noise = Buffer.from(Array.from({ length: 1 << 20 }, () => Math.floor(random() * 256)));
  const resources: string[] = [];
  const items: string[] = [];
  for (let i = 0; i < files; i += 1) {
    const page = i % 5 === 0;
    const name = page ? `pages/p${i}.html` : `data/d${i % 100}/f${i}.bin`;
    const at = Math.floor(random() * (noise.length - 50_000));
    const data = page
      ? Buffer.from(
          `<html><head><title>Page ${i}</title></head><body>${`<p>Reading ${i} of the gauge, <a href="../data/d${(i + 1) % 100}/f${i + 1}.bin">data</a> and more words.</p>`.repeat(36)}</body></html>`,
        )
      : Buffer.concat([noise.subarray(at, at + 42_000), Buffer.alloc(22_500, i)]);
    zip.addBuffer(data, name, { mtime: new Date(Date.UTC(2026, 8, 1)), compressionLevel: 1 });
    resources.push(
      `<resource identifier="r${i}" type="webcontent" href="${name}"><file href="${name}"/></resource>`,
    );
    if (page) items.push(`<item identifier="i${i}" identifierref="r${i}"><title>Page ${i}</title></item>`);
  }
  zip.addBuffer(
    Buffer.from(
      `<manifest identifier="large" xmlns="http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1"><metadata><schema>IMS Common Cartridge</schema><schemaversion>1.3.0</schemaversion></metadata><organizations><organization identifier="o" structure="rooted-hierarchy"><item identifier="root">${items.join('')}</item></organization></organizations><resources>${resources.join('')}</resources></manifest>`,
    ),
    'imsmanifest.xml',
  );
  zip.end();
  await finished(written);
}

try {
  console.log('writing the package …');
  await write();
  const reader = join(process.cwd(), 'dist/bench/read-only.mjs');
  await build({ ...bundleOptions, entryPoints: ['bench/read-only.ts'], outfile: reader });
  const begun = performance.now();
  execFileSync('unzip', ['-tqq', path]);
  const unzip = performance.now() - begun;
  const hash = await measure(['bench/hash-entries.mjs', path], 1);
  const read = await measure([reader, path], 1);
  const { items, files: count } = JSON.parse(read.output) as { items: number; files: number };
  const plain = unzip + Number(hash.output);
  const lines = [
    `${items.toLocaleString('en-GB')} items, ${count.toLocaleString('en-GB')} files, 1.05 GB unpacked: \`unzip -t\` ${(unzip / 1000).toFixed(1)} s, SHA-256 of the entries ${(Number(hash.output) / 1000).toFixed(1)} s;`,
    `reading ${(read.ms / 1000).toFixed(1)} s, **${(read.ms / plain).toFixed(2)} times** the two together; peak memory **${Math.round(read.peakMb)} MB**.`,
  ];
  console.log(lines.join('\n'));
  writeFileSync(
    'docs/performance-large.md',
    `# A package of one gigabyte\n\nMade by \`npm run bench:large\` on ${new Date().toISOString().slice(0, 10)}, Node ${process.version}. Reading only, bytes not stored.\n\n${lines.join('\n')}\n`,
  );
} finally {
  rmSync(folder, { recursive: true, force: true });
}
