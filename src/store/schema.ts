import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';

/** A campus host that somebody signed in to, and as whom. */
export const hosts = sqliteTable(
  'hosts',
  {
    id: text('id').primaryKey(),
    /** Where its API is, without a slash at the end. */
    address: text('address').notNull(),
    name: text('name').notNull(),
    /** Kept so that a run can sign in again after hours or a restart; it leaves this folder for the host alone. */
    secret: text('secret').notNull(),
    /** Who the host says that this is. */
    account: text('account').notNull(),
    createdAt: text('created_at').notNull(),
  },
  (t) => [uniqueIndex('hosts_by_address').on(t.address, t.name)],
);

/** A shell that somebody brought in. What it holds is in its current version. */
export const shells = sqliteTable('shells', {
  id: text('id').primaryKey(),
  code: text('code').notNull(),
  title: text('title').notNull(),
  termTitle: text('term_title').notNull(),
  termStart: text('term_start'),
  termEnd: text('term_end'),
  asOf: text('as_of').notNull(),
  role: text('role').notNull(),
  versionId: text('version_id').notNull(),
  /** SHA-256 of the package that it was read from, so that the same one is known again. */
  packageHash: text('package_hash').notNull().default(''),
  /** How many changes the plan makes, and what names it for its version: kept up to date by every decision. */
  planSize: integer('plan_size').notNull().default(0),
  planKey: text('plan_key').notNull().default(''),
  /** The campus host that it stands on, and its id there; null for one that was brought in as a package. */
  hostId: text('host_id').references(() => hosts.id),
  hostShell: text('host_shell'),
  /** It belongs to the demo, and can be taken away with the rest of it. */
  isDemo: integer('is_demo', { mode: 'boolean' }).notNull().default(false),
  /** The set of house rules that it is combed by; null for the house’s own. */
  rulesId: text('rules_id'),
  /** When it was laid by: it stays as it is, and out of the list. Null for one that is worked on. */
  laidByAt: text('laid_by_at'),
  createdAt: text('created_at').notNull(),
});

/** One state of a shell; a restore point is a version that a run began from. */
export const versions = sqliteTable(
  'versions',
  {
    id: text('id').primaryKey(),
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    /** The version that it was made from; null for the first one. */
    parentId: text('parent_id'),
    kind: text('kind', { enum: ['read', 'run', 'add', 'undo'] })
      .notNull()
      .default('read'),
    label: text('label').notNull().default(''),
    /** SHA-256 of the shell's state in the blob store, which names its parts. */
    stateBlob: text('state_blob').notNull(),
    fingerprint: text('fingerprint').notNull(),
    /** Inventory and the bare outline, as JSON. */
    inventory: text('inventory').notNull(),
    sketch: text('sketch').notNull(),
    /** What is listed of its intake report, as JSON; the blob of all notes where those are more. */
    intake: text('intake').notNull(),
    notesBlob: text('notes_blob'),
    createdAt: text('created_at').notNull(),
  },
  (t) => [index('versions_by_shell').on(t.shellId)],
);

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

/** Findings that somebody left be: kept per course by what the subjects say, so that the next term is not asked again. */
export const leaveBes = sqliteTable(
  'leave_bes',
  {
    course: text('course').notNull(),
    check: text('check').notNull(),
    substance: text('substance').notNull(),
    title: text('title').notNull(),
    /** Why, in the words of whoever decided it; null where nobody said. */
    reason: text('reason'),
    decidedAt: text('decided_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.course, t.check, t.substance] })],
);

/** Findings that wait: for the owner’s answer, or for another day. Kept like those that were left be. */
export const waiting = sqliteTable(
  'waiting',
  {
    course: text('course').notNull(),
    check: text('check').notNull(),
    substance: text('substance').notNull(),
    kind: text('kind', { enum: ['ask', 'later'] }).notNull(),
    decidedAt: text('decided_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.course, t.check, t.substance] })],
);

/** What the owner answered on a question sheet, as it was taken. */
export const ownerAnswers = sqliteTable(
  'owner_answers',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    asks: text('asks').notNull(),
    answer: text('answer', { enum: ['yes', 'no', 'unsure'] }).notNull(),
    note: text('note').notNull(),
    /** What it came to: accepted, left be, for later, by hand. */
    becomes: text('becomes').notNull(),
    findings: integer('findings').notNull(),
    takenAt: text('taken_at').notNull(),
  },
  (t) => [index('owner_answers_by_shell').on(t.shellId)],
);

/** The plan: steps in order, each from a finding or by hand. A finding has one at most. */
export const planSteps = sqliteTable(
  'plan_steps',
  {
    id: text('id').primaryKey(),
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    place: integer('place').notNull(),
    findingId: text('finding_id'),
    /** The finding's own remedy, another one, or a step that no finding proposed. */
    how: text('how', { enum: ['remedy', 'other', 'hand'] }).notNull(),
    action: text('action').notNull(),
    step: text('step').notNull(),
    addedAt: text('added_at').notNull(),
  },
  (t) => [
    uniqueIndex('plan_steps_by_finding').on(t.shellId, t.findingId),
    index('plan_steps_by_place').on(t.shellId, t.place),
  ],
);

/** What the last rehearsal of a shell came to. It is good for exactly the plan and the version that it names. */
export const rehearsals = sqliteTable('rehearsals', {
  shellId: text('shell_id')
    .primaryKey()
    .references(() => shells.id, { onDelete: 'cascade' }),
  versionId: text('version_id').notNull(),
  planKey: text('plan_key').notNull(),
  /** Digest of the normalised steps and the version, and the steps themselves, which are what is carried out. */
  seal: text('seal').notNull(),
  steps: text('steps').notNull(),
  view: text('view').notNull(),
  rehearsedAt: text('rehearsed_at').notNull(),
});

/** One carrying out of a plan, or one adding of a package. */
export const runs = sqliteTable(
  'runs',
  {
    id: text('id').primaryKey(),
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    /** The restore point: the version that the run began from. */
    beforeVersion: text('before_version')
      .notNull()
      .references(() => versions.id),
    /** Null until it is done. */
    afterVersion: text('after_version').references(() => versions.id),
    /** A plan carried out, a package added, or, on a host, something taken back. */
    kind: text('kind', { enum: ['plan', 'add', 'undo'] })
      .notNull()
      .default('plan'),
    /** Our own store, in one go; or a campus host, batch by batch. */
    place: text('place', { enum: ['store', 'host'] })
      .notNull()
      .default('store'),
    /** What the operator wants of a run that is under way; it is looked at after every batch. */
    wish: text('wish', { enum: ['go', 'pause', 'stop'] })
      .notNull()
      .default('go'),
    /** What goes with the job that carries it out on a host, as JSON. */
    task: text('task'),
    /** On a host: how many changes its script has; null until that is worked out. */
    lines: integer('lines'),
    /** The added package: its name and SHA-256. */
    packageName: text('package_name'),
    packageHash: text('package_hash'),
    state: text('state', { enum: ['planned', 'running', 'paused', 'stopped', 'done', 'undone'] }).notNull(),
    seal: text('seal').notNull().default(''),
    /** Blob of the edits by step, or on a host of the script, for the exact inverse; null until it is done, or begun. */
    editsBlob: text('edits_blob'),
    summary: text('summary'),
    auditBefore: text('audit_before').references(() => audits.id, { onDelete: 'set null' }),
    startedAt: text('started_at').notNull(),
    finishedAt: text('finished_at'),
  },
  (t) => [index('runs_by_shell').on(t.shellId, t.startedAt)],
);

/** One step of a run as it was carried out: the ledger. Written before and after, with the state in one transaction. */
export const operations = sqliteTable(
  'operations',
  {
    runId: text('run_id')
      .notNull()
      .references(() => runs.id, { onDelete: 'cascade' }),
    sequence: integer('sequence').notNull(),
    /** Names the operation to whoever carries it out, so that it is never done twice. */
    key: text('key').notNull(),
    action: text('action').notNull(),
    targets: text('targets').notNull(),
    titles: text('titles').notNull(),
    /** The step with what it expects; null for what was added and for old runs. */
    step: text('step'),
    state: text('state', {
      enum: ['waiting', 'doing', 'done', 'blocked', 'nothing', 'undone', 'failed', 'by-hand', 'ticked'],
    }).notNull(),
    reason: text('reason'),
    tries: integer('tries').notNull().default(0),
    at: text('at').notNull(),
    undoneAt: text('undone_at'),
  },
  (t) => [primaryKey({ columns: [t.runId, t.sequence] }), uniqueIndex('operations_by_key').on(t.key)],
);

/** A part of a host run’s script that is sent in one go. */
export const runBatches = sqliteTable(
  'run_batches',
  {
    runId: text('run_id')
      .notNull()
      .references(() => runs.id, { onDelete: 'cascade' }),
    number: integer('number').notNull(),
    state: text('state', { enum: ['sent', 'done'] }).notNull(),
    /** What became of each line, as JSON; null until that is known. */
    outcomes: text('outcomes'),
    at: text('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.runId, t.number] })],
);

/** What was met on the way of a run: each try again, each sign-in, each job that had to be started again. */
export const runNotes = sqliteTable(
  'run_notes',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    runId: text('run_id')
      .notNull()
      .references(() => runs.id, { onDelete: 'cascade' }),
    kind: text('kind').notNull(),
    message: text('message').notNull(),
    at: text('at').notNull(),
  },
  (t) => [index('run_notes_by_run').on(t.runId)],
);

/** What things of a shell went and go by at its host, where that is another name than their ref here; the last one counts. */
export const hostNames = sqliteTable(
  'host_names',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    ref: text('ref').notNull(),
    there: text('there').notNull(),
  },
  (t) => [uniqueIndex('host_names_by_name').on(t.shellId, t.there)],
);

/** A package that was read to be added: one for each shell, until it is added or another takes its place. */
export const incomings = sqliteTable('incomings', {
  id: text('id').primaryKey(),
  shellId: text('shell_id')
    .notNull()
    .unique()
    .references(() => shells.id, { onDelete: 'cascade' }),
  packageName: text('package_name').notNull(),
  packageHash: text('package_hash').notNull(),
  title: text('title').notNull(),
  /** The version that it was held against. */
  versionId: text('version_id').notNull(),
  stateBlob: text('state_blob').notNull(),
  /** Blob of the preview as JSON. */
  previewBlob: text('preview_blob').notNull(),
  /** As in `versions`. */
  intake: text('intake').notNull(),
  notesBlob: text('notes_blob'),
  createdAt: text('created_at').notNull(),
});

/** A view of the workbench that somebody gave a name: what its list is filtered and grouped by. */
export const savedViews = sqliteTable('saved_views', {
  name: text('name').primaryKey(),
  /** The filter as the page’s address writes it. */
  query: text('query').notNull(),
  savedAt: text('saved_at').notNull(),
});

/** A plan that is kept under a name, for later or for another shell. */
export const keptPlans = sqliteTable('kept_plans', {
  name: text('name').primaryKey(),
  /** Code and title of the shell that it was made for. */
  madeFor: text('made_for').notNull(),
  /** How many steps it has. */
  steps: integer('steps').notNull(),
  /** The plan as a file writes it (`currycomb.plan/1`). */
  plan: text('plan').notNull(),
  savedAt: text('saved_at').notNull(),
});

/** House rules, a set for each department, as JSON of what was set by hand; `house` is the one that all others begin with. */
export const houseRules = sqliteTable('house_rules', {
  id: text('id').primaryKey(),
  /** The department that it is called after; empty for the house’s own. */
  name: text('name').notNull().default(''),
  rules: text('rules').notNull(),
  changedAt: text('changed_at').notNull(),
});

/** What a column of a status sheet means, under the name that a campus system gives it; empty where it is left alone. */
export const sheetColumns = sqliteTable('sheet_columns', {
  name: text('name').primaryKey(),
  means: text('means').notNull(),
});

/** Work that outlives a request. */
export const jobs = sqliteTable(
  'jobs',
  {
    id: text('id').primaryKey(),
    kind: text('kind').notNull(),
    shellId: text('shell_id'),
    state: text('state', { enum: ['waiting', 'running', 'paused', 'done', 'failed', 'cancelled'] }).notNull(),
    /** What it was given, as JSON: enough to start it again after a restart. */
    input: text('input').notNull().default('null'),
    done: integer('done').notNull(),
    total: integer('total').notNull(),
    doing: text('doing').notNull(),
    result: text('result'),
    trouble: text('trouble'),
    tries: integer('tries').notNull().default(0),
    createdAt: text('created_at').notNull(),
    finishedAt: text('finished_at'),
  },
  (t) => [index('jobs_by_state').on(t.state), index('jobs_by_shell').on(t.shellId, t.kind)],
);

/** What the person has switched on; what has no row is off. */
export const switches = sqliteTable('switches', {
  name: text('name').primaryKey(),
  turnedOnAt: text('turned_on_at').notNull(),
});

/** A folder of this computer that is watched: packages that come into it are brought in. One at most. */
export const watchedFolders = sqliteTable('watched_folders', {
  id: text('id').primaryKey(),
  path: text('path').notNull(),
  since: text('since').notNull(),
});

/** A package that was taken from the watched folder, so that it is not taken again. */
export const watchedPackages = sqliteTable('watched_packages', {
  path: text('path').primaryKey(),
  /** Sizes and times of it and its side files: another stamp is another package. */
  stamp: text('stamp').notNull(),
  jobId: text('job_id').notNull(),
  takenAt: text('taken_at').notNull(),
});

/** What addresses outside answered, whichever shell leads there. */
export const webAnswers = sqliteTable('web_answers', {
  url: text('url').primaryKey(),
  state: text('state').notNull(),
  /** The whole answer as JSON. */
  answer: text('answer').notNull(),
  askedAt: text('asked_at').notNull(),
});

/** The last probe of a shell: which addresses led out of it, and from where. */
export const shellProbes = sqliteTable('shell_probes', {
  shellId: text('shell_id')
    .primaryKey()
    .references(() => shells.id, { onDelete: 'cascade' }),
  versionId: text('version_id').notNull(),
  /** The addresses with the places that lead there, as JSON. */
  links: text('links').notNull(),
  probedAt: text('probed_at').notNull(),
});

/** A shell compared with another: the last time that it was asked, of which states, and what came of it as JSON. */
export const comparisons = sqliteTable(
  'comparisons',
  {
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    otherId: text('other_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    versionId: text('version_id').notNull(),
    otherVersionId: text('other_version_id').notNull(),
    comparison: text('comparison').notNull(),
    comparedAt: text('compared_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.shellId, t.otherId] })],
);

/** The recipe that somebody works a shell through, and what they ticked of it by hand. */
export const shellRecipes = sqliteTable('shell_recipes', {
  shellId: text('shell_id')
    .primaryKey()
    .references(() => shells.id, { onDelete: 'cascade' }),
  recipe: text('recipe').notNull(),
  /** Ids of steps that only the person can say are done, as a JSON list. */
  ticked: text('ticked').notNull().default('[]'),
  begunAt: text('begun_at').notNull(),
});

/** What the next copy of a course shall leave behind, as somebody kept it: a row for each title. */
export const nextTimes = sqliteTable(
  'next_times',
  {
    course: text('course').notNull(),
    area: text('area').notNull(),
    title: text('title').notNull(),
    did: text('did').notNull(),
    /** The shell that it was taken out of; it may be gone. */
    shellId: text('shell_id').notNull(),
    keptAt: text('kept_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.course, t.area, t.title] })],
);
