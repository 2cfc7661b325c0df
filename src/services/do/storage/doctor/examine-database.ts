import type Database from 'better-sqlite3';
import { z } from 'zod';
import { plural } from '@/core/text/plural';
import { namesStrangeFile } from '@/services/keep/storage/strange-files';
import { hasColumn } from '@/services/keep/storage/has-column';
import type { Diagnosis } from './diagnosis';

interface JsonColumn {
  readonly table: string;
  readonly column: string;
  /** The shell that a row belongs to, in SQL: the row is `t`. */
  readonly shell: string;
  /** How a row is mended that can be made again at any time; null for one that can’t. */
  readonly again: string | null;
}
const combAgain = 'Throw that combing away; it is combed again with one press.';

/** Columns that hold JSON, and what to do where one can't be read. */
const jsonColumns: readonly JsonColumn[] = [
  { table: 'versions', column: 'inventory', shell: 't.shell_id', again: null },
  { table: 'versions', column: 'sketch', shell: 't.shell_id', again: null },
  { table: 'versions', column: 'intake', shell: 't.shell_id', again: null },
  { table: 'audits', column: 'counts', shell: 't.shell_id', again: combAgain },
  { table: 'audits', column: 'checks', shell: 't.shell_id', again: combAgain },
  { table: 'audits', column: 'tally', shell: 't.shell_id', again: combAgain },
  {
    table: 'students_eyes',
    column: 'eye',
    shell: '(SELECT shell_id FROM audits WHERE id = t.audit_id)',
    again: 'Throw that away; it is worked out anew when the shell is combed.',
  },
  {
    table: 'comparisons',
    column: 'comparison',
    shell: 't.shell_id',
    again: 'Throw that comparison away; it is made again with one press.',
  },
  {
    table: 'shell_recipes',
    column: 'ticked',
    shell: 't.shell_id',
    again: 'Let that recipe go; it is begun again with one press.',
  },
  {
    table: 'shell_probes',
    column: 'links',
    shell: 't.shell_id',
    again: 'Throw that away; the next probe of its links makes it anew.',
  },
  { table: 'plan_steps', column: 'step', shell: 't.shell_id', again: null },
];

/** Those of these columns that a database has. */
export const jsonColumnsOf = (db: Database.Database): readonly JsonColumn[] =>
  jsonColumns.filter(({ table, column }) => hasColumn(db, table, column));

/** Says what SQLite finds wrong with its file, and which rows hang together with none. */
export function examineDatabase(db: Database.Database, dataDir: string, isInUse: boolean): Diagnosis[] {
  const damage = integrityOf(db);
  if (damage) return [damage];
  return [
    ...foreignParts(db),
    ...strangeJobs(db, dataDir),
    ...rowsAstray(db),
    ...unreadableRows(db),
    ...(isInUse ? [] : stuck(db)),
  ];
}

function integrityOf(db: Database.Database): Diagnosis | null {
  const found = db.pragma('integrity_check(3)', { simple: false }) as { integrity_check: string }[];
  const first = found[0]?.integrity_check ?? 'ok';
  if (first === 'ok') return null;
  const isIndex = /index/i.test(first);
  return {
    code: 'database-damaged',
    sentence: `The database is damaged: SQLite says “${first}”.`,
    mending: isIndex ? 'Rebuild its indexes.' : null,
  };
}

/** Triggers and views: Currycomb makes none, so somebody else did. */
function foreignParts(db: Database.Database): Diagnosis[] {
  const names = db
    .prepare("SELECT name FROM sqlite_master WHERE type IN ('trigger', 'view')")
    .pluck()
    .all() as string[];
  if (names.length === 0) return [];
  return [
    {
      code: 'database-foreign',
      sentence: `The database has ${plural(names.length, 'trigger or view', 'triggers or views')} that Currycomb did not make (${names.slice(0, 3).join(', ')}). Do not start on it: back it up, and restore the backup into a new folder.`,
      mending: null,
    },
  ];
}

const unfinished = z.object({ kind: z.string(), input: z.string() });

/** Unfinished jobs that name files which this server neither received nor named; none of them is begun. */
function strangeJobs(db: Database.Database, dataDir: string): Diagnosis[] {
  const rows = db
    .prepare("SELECT kind, input FROM jobs WHERE state IN ('waiting', 'running', 'paused')")
    .all()
    .map((row) => unfinished.parse(row));
  const strange = rows.filter(({ kind, input }) => namesStrangeFile(kind, input, dataDir)).length;
  if (strange === 0) return [];
  return [
    {
      code: 'job-strange',
      sentence: `${plural(strange, 'unfinished job')} ${strange === 1 ? 'names a file' : 'name files'} outside the data folder. Currycomb will not begin ${strange === 1 ? 'it' : 'them'}. Find out where this folder came from.`,
      mending: null,
    },
  ];
}

function rowsAstray(db: Database.Database): Diagnosis[] {
  const astray = db.pragma('foreign_key_check') as { table: string }[];
  const bare = db
    .prepare(
      'SELECT code FROM shells s WHERE NOT EXISTS (SELECT 1 FROM versions v WHERE v.id = s.version_id)',
    )
    .pluck()
    .all() as string[];
  const found: Diagnosis[] = bare.map((code) => ({
    code: 'rows-astray',
    sentence: `The shell ${code} has no state any more; remove it and bring its package in again.`,
    mending: null,
  }));
  if (astray.length > 0)
    found.push({
      code: 'rows-astray',
      sentence: `${plural(astray.length, 'row')} of the database belong to something that is not there.`,
      mending: null,
    });
  return found;
}

function unreadableRows(db: Database.Database): Diagnosis[] {
  return jsonColumnsOf(db).flatMap(({ table, column, shell, again }) => {
    const codes = db
      .prepare(
        `SELECT DISTINCT s.code FROM ${table} t JOIN shells s ON s.id = ${shell} WHERE json_valid(t.${column}) = 0`,
      )
      .pluck()
      .all() as string[];
    return codes.map((code): Diagnosis => ({
      code: 'row-unreadable',
      sentence: `What was kept of the shell ${code} under “${column}” can’t be read.`,
      mending: again,
    }));
  });
}

/** What a server that ended left under way; the next start takes it up again. */
function stuck(db: Database.Database): Diagnosis[] {
  const jobs = db.prepare("SELECT count(*) FROM jobs WHERE state = 'running'").pluck().get() as number;
  if (jobs === 0) return [];
  return [
    {
      code: 'job-stuck',
      sentence: `${plural(jobs, 'job')} ${jobs === 1 ? 'was' : 'were'} cut off; the next start of Currycomb takes ${jobs === 1 ? 'it' : 'them'} up again.`,
      mending: null,
    },
  ];
}
