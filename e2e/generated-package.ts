import { createWriteStream, writeFileSync } from 'node:fs';
import { finished } from 'node:stream/promises';
import yazl from 'yazl';

/** A small repeatable source of numbers (mulberry32), so that a size always gives the same package. */
export function seeded(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const syllables = [
  'ba',
  'cor',
  'den',
  'fil',
  'gra',
  'hol',
  'in',
  'jun',
  'kel',
  'lo',
  'mar',
  'nor',
  'os',
  'pel',
  'qui',
  'ras',
  'sen',
  'tor',
  'ul',
  'ver',
  'wic',
  'yor',
];
/** Four thousand invented words; the n-th is drawn with a weight that falls as in running text. */
const words = Array.from({ length: 4000 }, (_, n) => {
  const random = seeded(n + 1);
  return Array.from(
    { length: 1 + Math.floor(random() * 3) },
    () => syllables[Math.floor(random() * syllables.length)],
  ).join('');
});

export interface GeneratedFiles {
  readonly package: string;
  readonly events: string;
}

/**
 * Writes a course package with a number of items, and a calendar of a third as many events: modules of twenty, pages of
 * about 3 kB with links between them and pictures, a second copy of one module in forty, files nobody uses.
 */
export async function writeGenerated(items: number, to: string): Promise<GeneratedFiles> {
  const random = seeded(items);
  const word = () => words[Math.floor(words.length * random() ** 3)]!;
  const sentence = () => {
    const text = Array.from({ length: 6 + Math.floor(random() * 14) }, word).join(' ');
    return `${text[0]!.toUpperCase()}${text.slice(1)}.`;
  };
  const zip = new yazl.ZipFile();
  const packagePath = `${to}.imscc`;
  const written = zip.outputStream.pipe(createWriteStream(packagePath));
  const add = (path: string, text: string | Buffer) =>
    zip.addBuffer(Buffer.from(text as string), path, { mtime: new Date('2026-09-01T08:00:00Z') });
  const resources: string[] = [];
  const organisation: string[] = [];
  const perModule = 20;
  const modules = Math.max(1, Math.round(items / (perModule + 1)));
  let previous: string[] = [];
  let page = 0;
  for (let m = 0; m < modules; m += 1) {
    const copies = m > 0 && m % 40 === 0;
    const bodies: string[] = [];
    organisation.push(
      `<item identifier="m${m}"><title>${copies ? `Module ${m - 1}` : `Module ${m}`} ${word()}</title>`,
    );
    for (let p = 0; p < perModule && page + m + 1 < items; p += 1) {
      const id = `p${page}`;
      const picture = `files/picture-${page}.png`;
      const links =
        page > 3
          ? `<p><a href="p${Math.floor(random() * page)}.html">${word()}</a> <a href="../${picture}">${word()}</a> <img alt="" src="../${picture}"></p>`
          : '';
      const copied = copies ? previous[p] : undefined;
      const body =
        copied ??
        `<html><head><title>${word()}</title></head><body><h1>${sentence()}</h1>${Array.from({ length: 4 }, () => `<p>${Array.from({ length: 6 }, sentence).join(' ')}</p>`).join('')}${links}</body></html>`;
      bodies.push(body);
      add(`pages/${id}.html`, body);
      if (links) {
        add(picture, Buffer.from(Array.from({ length: 600 }, () => Math.floor(random() * 256))));
        resources.push(
          `<resource identifier="f${page}" type="webcontent" href="${picture}"><file href="${picture}"/></resource>`,
        );
      }
      if (page % 25 === 0) {
        add(`files/left-${page}.txt`, sentence());
        resources.push(
          `<resource identifier="l${page}" type="webcontent" href="files/left-${page}.txt"><file href="files/left-${page}.txt"/></resource>`,
        );
      }
      resources.push(
        `<resource identifier="r${page}" type="webcontent" href="pages/${id}.html"><file href="pages/${id}.html"/></resource>`,
      );
      organisation.push(
        `<item identifier="${id}" identifierref="r${page}"><title>${word()} ${word()} ${page}</title></item>`,
      );
      page += 1;
    }
    organisation.push('</item>');
    previous = bodies;
  }
  add(
    'imsmanifest.xml',
    `<?xml version="1.0" encoding="UTF-8"?>\n<manifest identifier="generated-${items}" xmlns="http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1"><metadata><schema>IMS Common Cartridge</schema><schemaversion>1.3.0</schemaversion></metadata><organizations><organization identifier="o" structure="rooted-hierarchy"><item identifier="root">${organisation.join('')}</item></organization></organizations><resources>${resources.join('')}</resources></manifest>`,
  );
  zip.end();
  await finished(written);
  const events = `${to}.ics`;
  const day = (n: number) =>
    new Date(Date.UTC(2025, 7, 25) + n * 86_400_000).toISOString().slice(0, 10).replaceAll('-', '');
  writeFileSync(
    events,
    [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'PRODID:-//Currycomb//generated//EN',
      ...Array.from(
        { length: Math.ceil(items / 3) },
        (_, n) =>
          `BEGIN:VEVENT\r\nUID:e${n}\r\nDTSTAMP:20250801T000000Z\r\nDTSTART:${day(n % 600)}T090000Z\r\nDTEND:${day(n % 600)}T100000Z\r\nSUMMARY:${word()} ${n % 90}\r\nEND:VEVENT`,
      ),
      'END:VCALENDAR',
      '',
    ].join('\r\n'),
  );
  return { package: packagePath, events };
}
