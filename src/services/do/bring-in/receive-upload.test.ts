import { mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { receiveUpload } from './receive-upload';

const dataDir = mkdtempSync(join(tmpdir(), 'currycomb-upload-'));
const folder = join(dataDir, 'uploads');
mkdirSync(folder, { recursive: true });
afterAll(() => rmSync(dataDir, { recursive: true, force: true }));

/** A body of so many blocks of a hundred bytes, and how many of them were asked for. */
function bodyOf(blocks: number): { readonly body: ReadableStream<Uint8Array>; readonly sent: () => number } {
  let sent = 0;
  const body = new ReadableStream<Uint8Array>(
    {
      pull(controller) {
        if (sent === blocks) controller.close();
        else controller.enqueue(new Uint8Array(100).fill(7));
        sent = Math.min(blocks, sent + 1);
      },
    },
    { highWaterMark: 0 },
  );
  return { body, sent: () => sent };
}

test('a body that is too long is received to its end, refused, and nothing of it stays', async () => {
  const { body, sent } = bodyOf(15);
  expect(await receiveUpload({ dataDir }, body, null, 1_000)).toMatchObject({
    ok: false,
    trouble: { code: 'upload-too-large' },
  });
  expect(sent()).toBe(15);
  expect(readdirSync(folder)).toEqual([]);
});

test('a body without an end is not received for ever', async () => {
  const { body, sent } = bodyOf(100_000);
  expect(await receiveUpload({ dataDir }, body, null, 1_000)).toMatchObject({ ok: false });
  expect(sent()).toBeLessThan(30);
  expect(readdirSync(folder)).toEqual([]);
});

test('what fits is kept, what is shorter than it was said to be is not', async () => {
  expect(await receiveUpload({ dataDir }, bodyOf(4).body, 400, 1_000)).toMatchObject({
    value: { bytes: 400 },
  });
  expect(readdirSync(folder)).toHaveLength(1);
  expect(await receiveUpload({ dataDir }, bodyOf(4).body, 500, 1_000)).toMatchObject({
    trouble: { code: 'upload-cut' },
  });
  expect(await receiveUpload({ dataDir }, bodyOf(0).body, null, 1_000)).toMatchObject({
    trouble: { code: 'upload-empty' },
  });
  expect(readdirSync(folder)).toHaveLength(1);
});
