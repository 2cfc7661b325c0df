import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { shells, versions } from './shells';

/** One combing of a version. Its findings are rows of their own; what lists show of it stands here. */
export const audits = sqliteTable(
  'audits',
  {
    id: text('id').primaryKey(),
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    versionId: text('version_id')
      .notNull()
      .references(() => versions.id, { onDelete: 'cascade' }),
    /** Counts of the shell, and what each check came to, as JSON. */
    counts: text('counts').notNull(),
    checks: text('checks').notNull(),
    /** What is open now, by family, and the smoothness, as JSON: kept up to date by every decision. */
    tally: text('tally').notNull(),
    milliseconds: integer('milliseconds').notNull(),
    /** Fingerprint of the house rules that it was made by. */
    rulesKey: text('rules_key').notNull().default(''),
    combedAt: text('combed_at').notNull(),
    /** Its findings are still being written down; it counts for nothing until they are. */
    isDraft: integer('is_draft', { mode: 'boolean' }).notNull().default(false),
  },
  (t) => [index('audits_by_version').on(t.versionId)],
);

/** What students get of a combed state, for every moment at once, as JSON: `students-eye/1`. */
export const studentsEyes = sqliteTable('students_eyes', {
  auditId: text('audit_id')
    .primaryKey()
    .references(() => audits.id, { onDelete: 'cascade' }),
  eye: text('eye').notNull(),
});

/** One finding of an audit. */
export const findings = sqliteTable(
  'findings',
  {
    auditId: text('audit_id')
      .notNull()
      .references(() => audits.id, { onDelete: 'cascade' }),
    id: text('id').notNull(),
    /** Its place in the audit's order, 0 first. */
    place: integer('place').notNull(),
    check: text('check').notNull(),
    family: text('family').notNull(),
    substance: text('substance').notNull(),
    /** Which of its check's messages it is, and what fills the holes, as JSON. */
    message: text('message').notNull().default('{"id":"","params":{}}'),
    /** What a list shows, and what proves it, as JSON. */
    listed: text('listed').notNull(),
    evidence: text('evidence').notNull(),
    /** The step that takes its remedy, and those of other remedies, as JSON; null where there is none. */
    step: text('step'),
    others: text('others').notNull(),
    /** The chain that leads to the one thing that it is about, as JSON; null where that is not asked. */
    chain: text('chain'),
  },
  (t) => [primaryKey({ columns: [t.auditId, t.id] }), index('findings_by_place').on(t.auditId, t.place)],
);
