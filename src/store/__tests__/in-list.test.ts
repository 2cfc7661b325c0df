import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from '../database';
import { inList } from '../in-list';
import { switches } from '../schema';

test('a row is found among more values than a statement takes, and odd ones are values, too', () => {
  const folder = mkdtempSync(join(tmpdir(), 'currycomb-list-'));
  const db = openDatabase(folder, join(process.cwd(), 'src/store/migrations'));
  const odd = `"it's" \\ ] }`;
  db.insert(switches)
    .values([
      { name: odd, turnedOnAt: '1' },
      { name: 'other', turnedOnAt: '2' },
    ])
    .run();
  const many = Array.from({ length: 50_000 }, (_, n) => `name ${n}`);
  const found = (values: readonly string[]) =>
    db
      .select({ name: switches.name })
      .from(switches)
      .where(inList(switches.name, values))
      .all()
      .map(({ name }) => name);
  expect(found([...many, odd])).toEqual([odd]);
  expect(found([])).toEqual([]);
  db.$client.close();
  rmSync(folder, { recursive: true, force: true });
});
