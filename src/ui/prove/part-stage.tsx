'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import type { IncomingKey, IncomingThing } from '@/core/add/incoming';
import { ThingTree } from '../add/thing-tree';
import { everyStanding, sayChoice, treeRows } from '../add/tree-model';
import { toggled } from '../marks/toggled';
import { drawnFrom } from '../stage/drawn-stage';
import styles from '../add/add.module.css';

const kinds = [
  { what: 'package', label: 'A package (.imscc)' },
  { what: 'events', label: 'Its events (.ics)' },
  { what: 'grades', label: 'Its grade setup (OneRoster CSV)' },
  { what: 'status', label: 'Its status sheet (.csv)' },
] as const;

/** Chooses a part of the shell and writes it as a package, a calendar, grade tables or a sheet. */
function PartStage({ id, code, view: things }: { id: string; code: string; view: readonly IncomingThing[] }) {
  const [chosen, setChosen] = useState<ReadonlySet<IncomingKey>>(new Set());
  const rows = useMemo(() => treeRows({ things }, everyStanding), [things]);
  return (
    <div className={styles.bench}>
      <div className={styles.left}>
        <div className={styles.head}>
          <h1>A part of {code || 'this shell'}</h1>
          <p className="soft" style={{ margin: '2px 0 0' }}>
            Tick what should go along; what it needs, pictures, files, banks and grade columns, comes with it.{' '}
            <Link href={`/shells/${id}/prove`}>Back to the proof</Link>
          </p>
        </div>
        {rows.length ? (
          <ThingTree
            label="What the shell holds"
            rows={rows}
            chosen={chosen}
            needed={new Map()}
            onToggle={(keys) => setChosen((now) => toggled(now, keys))}
            standing={false}
          />
        ) : (
          <p style={{ padding: '0 22px' }}>There is nothing in this shell.</p>
        )}
      </div>
      <aside className={styles.right} aria-label="How it is written">
        <section>
          <h2>Chosen</h2>
          <p className="number" role="status" style={{ margin: 0 }}>
            {sayChoice(chosen)}
          </p>
        </section>
        <form
          method="post"
          action={`/api/shells/${id}/export`}
          style={{ display: 'grid', gap: 8, justifyItems: 'start' }}
        >
          <input type="hidden" name="chosen" value={JSON.stringify([...chosen])} />
          {kinds.map((kind, i) => (
            <Button
              key={kind.what}
              type="submit"
              name="what"
              value={kind.what}
              variant={i === 0 ? 'contained' : 'outlined'}
              disabled={chosen.size === 0}
            >
              {kind.label}
            </Button>
          ))}
        </form>
      </aside>
    </div>
  );
}

/** It asks for its view by itself. */
export const DrawnPartStage = drawnFrom(PartStage);
