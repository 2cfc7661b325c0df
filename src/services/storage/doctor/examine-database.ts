import type Database from 'better-sqlite3';
import { plural } from '@/core/text/plural';
import type { Diagnosis } from './diagnosis';

/** Columns that hold JSON, and what to do where one can't be read. */
export const jsonColumns = [
  { table: 'versions', column: 'inventory', of: 'shell_id' },
  { table: 'versions', column: 'sketch', of: 'shell_id' },
  { table: 'versions', column: 'intake', of: 'shell_id' },
  { table: 'audits', column: 'counts', of: 'shell_id' },
  { table: 'audits', column: 'checks', of: 'shell_id' },
  { table: 'audits', column: 'tally', of: 'shell_id' },
  { table: 'plan_steps', column: 'step', of: 'shell_id' },
] as const;

/** Says what SQLite finds wrong with its file, and which rows hang together with none. */
export function examineDatabase(db: Database.Database, isInUse: boolean): Diagnosis[] {
  const damage = integrityOf(db);
  if (damage) return [damage];
  return [...rowsAstray(db), ...unreadableRows(db), ...(isInUse ? [] : stuck(db))];
}

function integrityOf(db: Database.Database): Diagnosis | null {
  const found = db.pragma('integrity_check(3)', { simple: false }) as { integrity_check: string }[];
  const first = found[0]?.integrity_check ?? 'ok';
  if (first === 'ok') return null;
  const isIndex = /index/i.test(first);
  return {
    code: 'database-damaged',
    sentence: `The database is damaged: SQLite says “${first}”.`,
    mending: isIndex ? 'Build its indexes anew.' : null,
  };
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
  return jsonColumns.flatMap(({ table, column, of }) => {
    const codes = db
      .prepare(
        `SELECT DISTINCT s.code FROM ${table} t JOIN shells s ON s.id = t.${of} WHERE json_valid(t.${column}) = 0`,
      )
      .pluck()
      .all() as string[];
    return codes.map((code): Diagnosis => {
      const isAudit = table === 'audits';
      return {
        code: 'row-unreadable',
        sentence: `What was kept of the shell ${code} under “${column}” can’t be read.`,
        mending: isAudit ? 'Throw that combing away; it is combed again with one press.' : null,
      };
    });
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
