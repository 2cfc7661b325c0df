import { mkdirSync, renameSync, rmdirSync } from 'node:fs';
import Database from 'better-sqlite3';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { orderComb } from '@/services/do/comb/order-comb';
import { StorageFault, storageFault } from '@/services/keep/storage/storage-fault';
import { cluttered } from './cluttered';
import { DataFolder } from './data-folder';

let data: DataFolder;
let id = '';
beforeAll(async () => {
  data = new DataFolder();
  id = await data.bringIn(cluttered, 'FAU 1');
});
afterAll(() => data.close());

/** Another program that holds the database for writing. */
function hold(): () => void {
  const other = new Database(join(data.dataDir, 'currycomb.sqlite'));
  other.exec('BEGIN IMMEDIATE');
  return () => other.close();
}

test('what can’t be ordered since the database is locked is told, and ordered when it is free', async () => {
  const letGo = hold();
  const order = () => orderComb(data.context, data.now(id));
  let told: unknown = null;
  try {
    order();
  } catch (error) {
    told = storageFault(error, data.dataDir);
  }
  expect(told).toBeInstanceOf(StorageFault);
  expect(String(told)).toMatch(/Another program holds the database in .+ locked/);
  letGo();
  expect((await data.ended(order())).state).toBe('done');
});

test('a job whose end can’t be written is over for whoever waits; it is written as soon as that is possible', async () => {
  const jobId = orderComb(data.context, data.now(id));
  const letGo = hold();
  const view = await data.ended(jobId);
  expect(view.state).toBe('failed');
  expect(view.trouble).toMatch(/locked/);
  expect(data.context.jobs.underWay(id)).toBeNull();
  letGo();
  // Ordered again it is another job, and the end of the first stands in its row by then.
  const again = orderComb(data.context, data.now(id));
  expect(again).not.toBe(jobId);
  expect((await data.ended(again)).state).toBe('done');
  const row = data.context.db.$client.prepare('SELECT state FROM jobs WHERE id = ?').pluck().get(jobId);
  expect(row).toBe('failed');
});

test('a job that can’t be begun since nothing can be written says why, and goes on by itself', async () => {
  const combing = orderComb(data.context, data.now(id));
  const sweeping = data.context.jobs.order('sweep', null, {});
  const letGo = hold();
  await data.ended(combing);
  while (data.context.jobs.view(sweeping)?.doing === 'Waiting') await pause(20);
  const held = data.context.jobs.view(sweeping);
  expect(held?.state).toBe('waiting');
  expect(held?.doing).toMatch(/^Waiting\. Another program holds the database in .+ locked/);
  letGo();
  expect((await data.ended(sweeping)).state).toBe('done');
});

test('a process that can’t open what it keeps things in says so, and the next one works', async () => {
  await data.restart();
  const giveBack = takeStoreAway();
  const failed = await data.ended(orderComb(data.context, data.now(id)));
  giveBack();
  expect(failed.state).toBe('failed');
  expect(failed.trouble).toMatch(/Something that Currycomb keeps in .+ is missing/);
  expect((await data.ended(orderComb(data.context, data.now(id)))).state).toBe('done');
});

test('an end that can’t be written for whatever reason holds jobs up and ends nothing', async () => {
  await data.restart();
  const { $client } = data.context.db;
  $client.exec(
    "CREATE TRIGGER no_end BEFORE UPDATE ON jobs WHEN NEW.state = 'failed' BEGIN SELECT RAISE(ABORT, 'no'); END",
  );
  const giveBack = takeStoreAway();
  const failed = await data.ended(orderComb(data.context, data.now(id)));
  giveBack();
  expect(failed.state).toBe('failed');
  const next = orderComb(data.context, data.now(id));
  expect(data.context.jobs.view(next)?.doing).toBe(
    'Waiting. The end of another job could not be written down yet. It is tried again.',
  );
  $client.exec('DROP TRIGGER no_end');
  expect((await data.ended(next)).state).toBe('done');
});

/** What jobs keep things in can’t be opened by a process that starts now. */
function takeStoreAway(): () => void {
  const file = join(data.dataDir, 'blobs', 'pack.sqlite');
  renameSync(file, `${file}.aside`);
  mkdirSync(file);
  return () => {
    rmdirSync(file);
    renameSync(`${file}.aside`, file);
  };
}
