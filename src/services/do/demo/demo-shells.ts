import { randomUUID } from 'node:crypto';
import { copyFileSync, existsSync } from 'node:fs';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { bad, good, type Result } from '@/core/shell/result';
import type { LocalDate } from '@/core/dates/local-date';
import { shells } from '@/store/schema';
import { pathsOf, type InputFile, type ShellInputs } from '@/services/do/packages/shell-inputs';
import { uploadsDir } from '@/services/do/bring-in/uploads';
import { todayHere } from '@/services/keep/time/clock';
import type { Context } from '@/services/keep/desks/context';
import { houseTerms, keptRules } from '@/services/keep/rules/house-rules';
import { findShell } from '@/services/keep/shells/current-shell';
import { dropShells } from '@/services/do/shells/remove-shell';

/** A shell of the demo: its package and side files below demo/out, and what is known of its term. */
interface DemoShell {
  readonly code: string;
  readonly files: Readonly<
    Partial<Record<'package' | 'events' | 'previousEvents' | 'status' | 'roster' | 'baseline', string>>
  > & { readonly package: string };
  readonly hasPreviousTerm: boolean;
  readonly isCombed: boolean;
}

/** Where `npm run demo:packages` writes. */
const folder = join(process.cwd(), 'demo/out');

/** The scenario: the main shell is combed, the others wait to be. */
const demoShells: readonly DemoShell[] = [
  {
    code: 'HYD 214',
    files: {
      package: 'hyd-214/HYD-214.imscc',
      events: 'hyd-214/events.ics',
      previousEvents: 'hyd-214/previous-events.ics',
      status: 'hyd-214/status.csv',
    },
    hasPreviousTerm: true,
    isCombed: true,
  },
  {
    code: 'HYD 214-E',
    files: { package: 'hyd-214-e/HYD-214-E.imscc' },
    hasPreviousTerm: true,
    isCombed: false,
  },
  {
    code: 'GEO 130',
    files: {
      package: 'geo-130/GEO-130.zip',
      status: 'geo-130/status.csv',
      roster: 'geo-130/roster.zip',
      baseline: 'template/template.imscc',
    },
    hasPreviousTerm: false,
    isCombed: false,
  },
  {
    code: 'LIB 101',
    files: {
      package: 'lib-101/LIB-101.imscc',
      events: 'lib-101/events.ics',
      status: 'lib-101/status.csv',
      roster: 'lib-101/roster.zip',
    },
    hasPreviousTerm: false,
    isCombed: false,
  },
];

/** Has the demo been written to this checkout? */
export const hasDemoPackages = (): boolean =>
  demoShells.every(({ files }) => Object.values(files).every((path) => existsSync(join(folder, path))));

/** Orders the demo's shells to be brought in the ordinary way; those that are here already are left as they are. */
export function orderDemo(context: Context): Result<{ readonly jobIds: readonly string[] }> {
  if (!hasDemoPackages())
    return bad(
      'no-demo-packages',
      'The demo’s packages have not been written in this folder yet; run “npm run demo:packages” and try again.',
    );
  const here = new Set(demoRows(context).map((row) => row.code));
  const jobIds = demoShells
    .filter((shell) => !here.has(shell.code))
    .map((shell) => orderShell(context, shell));
  return good({ jobIds });
}

/** Orders one shell to be brought in from copies of its files, as if somebody had sent them. */
function orderShell(context: Context, shell: DemoShell): string {
  const inputs = inputsOf(context, shell);
  return context.jobs.order('bring-in', null, {
    inputs,
    role: '',
    dispose: [...pathsOf(inputs)],
    isDemo: true,
    combBy: shell.isCombed ? keptRules(context).written : null,
  });
}

/** Takes the demo's shells away, with everything that only they use. */
export function removeDemo(context: Context): Result<{ readonly removed: number }> {
  const rows = demoRows(context);
  const busy = rows.find((row) => context.jobs.underWay(row.id));
  if (busy)
    return bad(
      'job-under-way',
      `Something is still being done with ${busy.code}; wait for its end, or cancel it first.`,
    );
  const found = rows.map((row) => findShell(context, row.id)).filter((shell) => shell !== null);
  dropShells(context, found);
  return good({ removed: found.length });
}

const demoRows = ({ db }: Context) =>
  db.select({ id: shells.id, code: shells.code }).from(shells).where(eq(shells.isDemo, true)).all();

/** The day of the scenario stands with the shell, so that what is found does not age. */
function inputsOf(context: Context, { code, files, hasPreviousTerm }: DemoShell): ShellInputs {
  const copied = (path: string): InputFile => {
    const copy = join(uploadsDir(context), randomUUID());
    copyFileSync(join(folder, path), copy);
    return { path: copy, name: path.slice(path.lastIndexOf('/') + 1) };
  };
  const file = (path: string | undefined) => (path === undefined ? undefined : copied(path));
  const day = (text: string) => text as LocalDate;
  return {
    package: copied(files.package),
    events: file(files.events),
    previousEvents: file(files.previousEvents),
    status: file(files.status),
    roster: file(files.roster),
    baseline: file(files.baseline),
    baselineIs: 'supplied',
    code,
    termTitle: 'Spring 2027',
    termStart: day('2027-01-11'),
    termEnd: day('2027-05-07'),
    ...(hasPreviousTerm ? { previousTermStart: day('2025-08-25'), previousTermEnd: day('2025-12-12') } : {}),
    asOf: day('2027-01-04'),
    houseTerms: houseTerms(context),
    today: todayHere(),
  };
}
