import { eq } from 'drizzle-orm';
import { partsOf } from '@/core/checks/finding/parts';
import { webStates, type WebAnswer } from '@/core/probe/web-answer';
import { shellProbes } from '@/store/schema';
import { listedFindings } from '@/services/keep/findings/kept-findings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { courseOf } from '@/services/keep/rows/course';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { parseKept } from '@/services/keep/rows/parse-kept';
import { answersOf } from '@/services/keep/probe/known-answers';
import type { ProbedLink } from '@/services/keep/probe/probed-link';
import { isProbeOn } from '@/services/keep/probe/probe-switch';

/** An address with its answer; null where it has none yet. */
export interface LinkLine extends ProbedLink {
  readonly answer: WebAnswer | null;
}
/** What the stage of the outside links shows. */
export interface ProbeView {
  readonly id: string;
  readonly isOn: boolean;
  /** Null where the shell was never probed. */
  readonly probed: {
    readonly at: string;
    /** The shell was changed since: links that came since are not among them. */
    readonly isStale: boolean;
    readonly links: readonly LinkLine[];
  } | null;
  /** Open findings that the answers led to, those that larger ones explain aside. */
  readonly findings: number;
}

export function probeView({ db }: OpenFolder, { row, version, audit }: CurrentShell): ProbeView {
  const kept = db.select().from(shellProbes).where(eq(shellProbes.shellId, row.id)).get();
  const open = audit ? listedFindings(db, audit.id, courseOf(row), 'open') : [];
  const parts = partsOf(open);
  const findings = open.filter((one) => one.check === 'outdated.dead-link' && !parts.has(one)).length;
  const about = { id: row.id, isOn: isProbeOn(db), findings };
  if (!kept) return { ...about, probed: null };
  const links = parseKept<ProbedLink[]>(kept.links, 'The last probe of the links');
  const urls = links.map(({ url }) => url);
  const answers = new Map(answersOf(db, urls).map((answer) => [answer.url, answer]));
  return {
    ...about,
    probed: {
      at: kept.probedAt,
      isStale: kept.versionId !== version.id,
      links: byTrouble(links.map((link) => ({ ...link, answer: answers.get(link.url) ?? null }))),
    },
  };
}

/** What wants something done comes first; what answers comes last. */
function byTrouble(links: readonly LinkLine[]): readonly LinkLine[] {
  const place = ({ answer }: LinkLine) => (answer ? webStates.indexOf(answer.state) : webStates.length);
  return [...links].sort((a, b) => place(a) - place(b));
}
