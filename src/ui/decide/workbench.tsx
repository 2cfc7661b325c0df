'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { families, familyTitles, urgencies, urgencyTitles, type ListedFinding } from '@/core/checks/finding';
import { plural } from '@/core/text/plural';
import type { DecideView } from '@/services/decide/decide-view';
import { UprightCoat } from '../coat/upright-coat';
import { useDecisions } from '../comb/use-decisions';
import { FamilyShape } from '../marks/family-shape';
import { FilterChip } from '../marks/filter-chip';
import { EvidencePanel } from './evidence-panel';
import { FindingList } from './finding-list';
import { listRows, readFilter, writeFilter, type Filter, type ListState } from './list-model';
import { otherRemedies, remedyWords } from './remedies';
import styles from './decide.module.css';

const stateTitles: Readonly<Record<ListState, string>> = {
  open: 'Open',
  planned: 'In the plan',
  'left-be': 'Left be',
};

/** The findings workbench: list, evidence beside it, decisions by hand or by key, one or many at once. */
export function Workbench({ view }: { view: DecideView }) {
  const query = useSearchParams();
  const filter = useMemo(() => readFilter(new URLSearchParams(query.toString())), [query]);
  const decisions = useDecisions(view.id);
  const planned = useMemo(
    () =>
      new Map<string, string>([
        ...view.accepted.map((id) => [id, 'accepted'] as const),
        ...view.changed.map((c) => [c.finding, c.action] as const),
      ]),
    [view],
  );
  const lists = useMemo(
    () => ({
      open: view.findings.filter((f) => !planned.has(f.id)),
      planned: view.findings.filter((f) => planned.has(f.id)),
      'left-be': view.leftBe,
    }),
    [view, planned],
  );
  const titles = useMemo(() => new Map(view.checks.map((c) => [c.id, c.title])), [view.checks]);
  const rows = useMemo(
    () => listRows(lists, filter, view.batches, (c) => titles.get(c) ?? c),
    [lists, filter, view.batches, titles],
  );
  const shown = useMemo(() => rows.flatMap((r) => (r.type === 'finding' ? [r.finding] : [])), [rows]);
  const [picked, setPicked] = useState<string | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const wanted = picked ?? query.get('finding');
  const current = shown.find((f) => f.id === wanted) ?? shown[0] ?? null;
  const set = (change: Partial<Filter>) => {
    setChosen(new Set());
    // The findings are all here: another filter asks nothing of the server.
    window.history.replaceState(
      null,
      '',
      `/shells/${view.id}/decide${writeFilter({ ...filter, ...change })}`,
    );
  };
  const toggle = (ids: readonly string[]) =>
    setChosen((now) => {
      const next = new Set(now);
      const all = ids.every((id) => next.has(id));
      for (const id of ids)
        if (all) next.delete(id);
        else next.add(id);
      return next;
    });
  /** What a decision is about: the chosen ones, else the one that is looked at. */
  const about: ListedFinding[] = chosen.size
    ? shown.filter((f) => chosen.has(f.id))
    : current
      ? [current]
      : [];
  const takable = about.filter((f) => f.remedy !== null);
  const touches = new Set(takable.flatMap((f) => f.remedy?.targets ?? [])).size;
  /** After a decision the next finding comes up. */
  const goOn = () => {
    const at = current ? shown.indexOf(current) : -1;
    const gone = new Set(about.map((f) => f.id));
    const next =
      shown.slice(at + 1).find((f) => !gone.has(f.id)) ??
      shown
        .slice(0, Math.max(0, at))
        .reverse()
        .find((f) => !gone.has(f.id));
    setPicked(next?.id ?? null);
    setChosen(new Set());
  };
  const act = async (decide: Promise<boolean>) => {
    if (await decide) goOn();
  };
  const accept = () => takable.length && void act(decisions.accept(takable.map((f) => f.id)));
  const leaveBe = () => about.length && void act(decisions.leaveBe(about.map((f) => f.id)));
  const reopen = () => about.length && void act(decisions.reopen(about.map((f) => f.id)));
  const groupOf = (id: string | undefined) => {
    const group = rows.find((r) => r.type === 'group' && r.findings.some((f) => f.id === id));
    return group?.type === 'group' ? group.findings.map((f) => f.id) : [];
  };
  const move = (by: number, extend: boolean) => {
    const at = current ? shown.indexOf(current) : -1;
    const next = shown[Math.max(0, Math.min(shown.length - 1, at + by))];
    if (!next) return;
    setPicked(next.id);
    if (extend) setChosen((now) => new Set([...now, ...(current ? [current.id] : []), next.id]));
  };
  const onKey = (event: React.KeyboardEvent) => {
    const { key } = event;
    if (event.ctrlKey || event.metaKey) {
      if (key === 'a') {
        event.preventDefault();
        setChosen(new Set(shown.map((f) => f.id)));
      }
      return;
    }
    const keys: Readonly<Record<string, () => void>> = {
      ArrowDown: () => move(1, event.shiftKey),
      j: () => move(1, false),
      ArrowUp: () => move(-1, event.shiftKey),
      k: () => move(-1, false),
      PageDown: () => move(10, event.shiftKey),
      PageUp: () => move(-10, event.shiftKey),
      Home: () => move(-shown.length, event.shiftKey),
      End: () => move(shown.length, event.shiftKey),
      ' ': () => current && toggle([current.id]),
      g: () => toggle(groupOf(current?.id)),
      Escape: () => setChosen(new Set()),
      a: () => filter.state === 'open' && accept(),
      l: () => filter.state === 'open' && leaveBe(),
      u: () => filter.state !== 'open' && reopen(),
    };
    const run = keys[key];
    if (!run) return;
    event.preventDefault();
    run();
  };
  if (!view.combed)
    return (
      <div style={{ padding: 22 }}>
        <h1>There is nothing to decide yet</h1>
        <p>
          <Link href={`/shells/${view.id}/comb`}>Comb the shell</Link> first; its findings come here.
        </p>
      </div>
    );
  return (
    <div className={styles.bench}>
      <div className={styles.strip}>
        <UprightCoat sketch={view.sketch} findings={view.findings} current={current} onOpen={setPicked} />
      </div>
      <div className={styles.left}>
        <div className={styles.filters} role="group" aria-label="Filters">
          <h1 className="unseen">Decide</h1>
          {(Object.keys(stateTitles) as ListState[]).map((state) => (
            <FilterChip
              key={state}
              pressed={filter.state === state}
              onClick={() => set({ state, batch: null })}
            >
              {stateTitles[state]} <span className="number">{lists[state].length}</span>
            </FilterChip>
          ))}
          {urgencies.map((u) => {
            const n = lists[filter.state].filter(
              (f) => f.urgency === u && (!filter.family || f.family === filter.family),
            ).length;
            return n || filter.urgency === u ? (
              <FilterChip
                key={u}
                pressed={filter.urgency === u}
                onClick={() => set({ urgency: filter.urgency === u ? null : u })}
              >
                {urgencyTitles[u]} <span className="number soft">{n}</span>
              </FilterChip>
            ) : null;
          })}
          {families.map((f) => {
            const n = lists[filter.state].filter(
              (one) => one.family === f && (!filter.urgency || one.urgency === filter.urgency),
            ).length;
            return n || filter.family === f ? (
              <FilterChip
                key={f}
                pressed={filter.family === f}
                title={familyTitles[f]}
                aria-label={`${familyTitles[f]}: ${n}`}
                onClick={() => set({ family: filter.family === f ? null : f })}
              >
                <FamilyShape family={f} size={13} /> <span className="number">{n}</span>
              </FilterChip>
            ) : null;
          })}
          {filter.batch && (
            <FilterChip pressed={true} onClick={() => set({ batch: null })}>
              one batch · show all
            </FilterChip>
          )}
        </div>
        {rows.length ? (
          <FindingList
            rows={rows}
            current={current?.id ?? null}
            chosen={chosen}
            fateOf={(id) => planned.get(id) ?? null}
            onCurrent={(id) => setPicked(id)}
            onToggle={toggle}
            onKey={onKey}
          />
        ) : (
          <p style={{ padding: 16 }}>
            {filter.state === 'open' ? (
              <>
                Nothing is open here.{' '}
                {view.planSize > 0 ? (
                  <Link href={`/shells/${view.id}/rehearse`}>Rehearse the plan</Link>
                ) : (
                  <Link href={`/shells/${view.id}/decide`}>Show everything</Link>
                )}
              </>
            ) : (
              'There is nothing here yet.'
            )}
          </p>
        )}
        <div className={styles.keys} aria-label="Keys">
          <span>
            <kbd>↑</kbd> <kbd>↓</kbd> go
          </span>
          <span>
            <kbd>Space</kbd> choose
          </span>
          <span>
            <kbd>G</kbd> its group
          </span>
          {filter.state === 'open' ? (
            <>
              <span>
                <kbd>A</kbd> accept
              </span>
              <span>
                <kbd>L</kbd> leave be
              </span>
            </>
          ) : (
            <span>
              <kbd>U</kbd> open again
            </span>
          )}
          <span>
            <kbd>Ctrl</kbd> <kbd>A</kbd> all
          </span>
        </div>
      </div>
      <div className={styles.right}>
        {current ? (
          <EvidencePanel shellId={view.id} finding={current} />
        ) : (
          <div className={styles.evidence} />
        )}
        <div className={styles.actions} role="group" aria-label="Decide">
          {filter.state === 'open' ? (
            <>
              <Button variant="contained" disabled={!takable.length || decisions.busy} onClick={accept}>
                {chosen.size
                  ? `Accept ${takable.length} (touches ${touches})`
                  : (current && remedyWords(current)) || 'Accept'}
              </Button>
              {!chosen.size &&
                current &&
                otherRemedies(current).map((other) => (
                  <Button
                    key={other.label}
                    variant="outlined"
                    disabled={decisions.busy}
                    onClick={() => void act(decisions.change(current.id, other.step))}
                  >
                    {other.label}
                  </Button>
                ))}
              <Button
                variant="outlined"
                color="inherit"
                disabled={!about.length || decisions.busy}
                onClick={leaveBe}
              >
                {chosen.size > 1 ? `Leave ${about.length} be` : 'Leave be'}
              </Button>
            </>
          ) : (
            <Button variant="outlined" disabled={!about.length || decisions.busy} onClick={reopen}>
              {filter.state === 'planned'
                ? `Take ${about.length} out of the plan`
                : `Open ${about.length} again`}
            </Button>
          )}
          {chosen.size > 0 && (
            <span className="soft number" role="status">
              {chosen.size} chosen
            </span>
          )}
          <span style={{ flex: 1 }} />
          {view.planSize > 0 && (
            <Button href={`/shells/${view.id}/rehearse`} variant="text">
              Rehearse {plural(view.planSize, 'change')}
            </Button>
          )}
        </div>
      </div>
    </div>
  );
}
