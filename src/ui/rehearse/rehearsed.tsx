import { plural } from '@/core/text/plural';
import type { RehearseStageView, SealedView } from '@/services/show/rehearse/rehearse-view';
import { Coat } from '../coat/coat';
import { FamilyShape } from '../marks/family-shape';
import { BlockedThings } from './blocked-things';
import { ComebackList } from './comebacks';
import { GradesAfter } from './grades-after';
import { OutlineAfter } from './outline-after';
import { StepTable } from './step-table';
import styles from './rehearse.module.css';

interface RehearsedProps {
  readonly view: RehearseStageView;
  readonly sealed: SealedView;
}

/** So many findings that would be new are named; the others are counted. */
const mostNamed = 30;

/** What a rehearsal showed: in figures, before and after, step by step, and what it does to students, links and findings. */
export function Rehearsed({ view, sealed }: RehearsedProps) {
  return (
    <>
      <div>
        <h1>{headingOf(sealed)}</h1>
        <p className="soft" style={{ margin: '4px 0 0' }}>
          Tried on a copy just now; nothing has been changed yet. {sayComeback(sealed)}
        </p>
      </div>
      <Figures sealed={sealed} blocked={sealed.blocked.length} />
      <BlockedThings shellId={view.id} blocked={sealed.blocked} />
      <TwoCoats view={view} sealed={sealed} />
      <OutlineAfter lines={sealed.outline} />
      <StepByStep sealed={sealed} />
      <div className={styles.sections}>
        <section className={styles.card} aria-labelledby="sight">
          <h2 id="sight">What students would see</h2>
          <TitleList titles={sealed.lost} empty="They lose sight of nothing." label="no longer see" />
          <TitleList titles={sealed.gained} empty="Nothing new comes into sight." label="newly see" />
        </section>
        <ComebackList comebacks={sealed.comebacks} />
        <BrokenLinks broken={sealed.broken} />
        <GradesAfter sealed={sealed} />
        <FindingsAfter sealed={sealed} />
      </div>
    </>
  );
}

/** Whether all that goes returns, in a sentence. */
function sayComeback({ comebacks: { returns, asNew, forGood } }: SealedView): string {
  if (returns.count + asNew.count + forGood.count === 0) return '';
  if (forGood.count > 0)
    return `${plural(forGood.count, 'thing')} would lose student work for good; all else returns if you take the run back.`;
  return asNew.count > 0
    ? 'Everything that goes is made anew if you take the run back, and links are led to it.'
    : 'Everything that goes returns if you take the run back: its restore point holds items, files and events whole.';
}

/** What goes of grade setup and banks. */
const setupGone = ({ removed }: SealedView): number =>
  removed.gradeCategories + removed.gradeColumns + removed.banks;

function headingOf(sealed: SealedView): string {
  const { removed, broken, changes } = sealed;
  const gone = removed.items + removed.files + removed.events + setupGone(sealed);
  const what = gone > 0 ? `${plural(gone, 'thing')} would go` : `${plural(changes, 'thing')} would change`;
  const links = broken.length ? `${plural(broken.length, 'link')} would break` : 'no link would break';
  return `${what}, and ${links}`;
}

function Figures({ sealed, blocked }: { sealed: SealedView; blocked: number }) {
  const { removed } = sealed;
  const setup = setupGone(sealed);
  const figures: readonly (readonly [number | string, string, string])[] = [
    [removed.items, 'items go', '#steps'],
    [removed.files, 'files go', '#steps'],
    [removed.events, 'events go', '#steps'],
    ...(setup > 0 ? [[setup, 'of the grade setup and banks go', '#steps'] as const] : []),
    [sealed.relinked, 'links led elsewhere', '#steps'],
    [sealed.broken.length, 'links would break', '#breaks'],
    [sealed.closed.length, 'findings close', '#findings'],
    [sealed.caused.length, 'findings would be new', '#findings'],
    [blocked, 'steps blocked', '#blocked'],
  ];
  return (
    <ul className={styles.figures} aria-label="In figures">
      {figures.map(([n, label, to]) => (
        <li key={label}>
          <a href={to}>
            <strong className="number">{n}</strong>
            <span className="soft">{label}</span>
          </a>
        </li>
      ))}
    </ul>
  );
}

function TwoCoats({ view: { before }, sealed: { after, smoothnessAfter } }: RehearsedProps) {
  return (
    <div className={styles.twice}>
      <section className={styles.card} aria-labelledby="before">
        <h2 id="before">
          Now {before.smoothness && <span className="soft number">{before.smoothness.percent} % smooth</span>}
        </h2>
        <Coat sketch={before.sketch} findings={before.findings} label="The Coat now" />
      </section>
      <section className={styles.card} aria-labelledby="after">
        <h2 id="after">
          Afterwards <span className="soft number">{smoothnessAfter.percent} % smooth</span>
        </h2>
        <Coat sketch={after.sketch} findings={after.findings} label="The Coat afterwards" />
      </section>
    </div>
  );
}

function StepByStep({ sealed: { results } }: { sealed: SealedView }) {
  const nothing = results.filter((r) => r.outcome === 'nothing');
  return (
    <section className={styles.card} aria-labelledby="steps">
      <h2 id="steps">Step by step</h2>
      <StepTable results={results.filter((r) => r.outcome === 'done')} label="Steps that would be done" />
      {nothing.length > 0 && (
        <>
          <h3 style={{ marginTop: 14 }}>Without effect</h3>
          <StepTable results={nothing} label="Steps without effect" />
        </>
      )}
    </section>
  );
}

function BrokenLinks({ broken }: Pick<SealedView, 'broken'>) {
  return (
    <section className={styles.card} aria-labelledby="breaks">
      <h2 id="breaks">Links that would break</h2>
      {broken.length === 0 && <p>None.</p>}
      {broken.length > 0 && (
        <ul>
          {broken.map((b, i) => (
            <li key={i}>
              “{b.from}” would point at {b.asked}, which is gone
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function FindingsAfter({ sealed: { closed, caused } }: { sealed: SealedView }) {
  return (
    <section className={styles.card} aria-labelledby="findings">
      <h2 id="findings">Findings</h2>
      <TitleList titles={closed.map((c) => c.title)} empty="No finding closes." label="close" />
      {caused.length === 0 && <p>No new finding would come up.</p>}
      {caused.length > 0 && (
        <>
          <p>
            <strong className="number">{caused.length}</strong> would be new:
          </p>
          <ul>
            {caused.slice(0, mostNamed).map((f) => (
              <li key={f.id}>
                <FamilyShape family={f.family} size={12} named /> {f.title}
              </li>
            ))}
            {caused.length > mostNamed && <li>and {caused.length - mostNamed} more</li>}
          </ul>
        </>
      )}
    </section>
  );
}

interface TitleListProps {
  readonly titles: readonly string[];
  readonly empty: string;
  readonly label: string;
}

function TitleList({ titles, empty, label }: TitleListProps) {
  if (!titles.length) return <p>{empty}</p>;
  return (
    <details>
      <summary>
        <strong className="number">{titles.length}</strong> {label}
      </summary>
      <ul style={{ maxHeight: 240, overflow: 'auto' }} tabIndex={0} aria-label={label}>
        {titles.map((t, i) => (
          <li key={i}>{t}</li>
        ))}
      </ul>
    </details>
  );
}
