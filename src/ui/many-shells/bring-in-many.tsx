'use client';
import { entryOf } from '@/core/entries';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { groupPackages, type PackageGroup } from '@/core/many-shells/package-groups';
import { plural } from '@/core/text/plural';
import type { HouseTerm } from '@/core/time/house-terms';
import { toggled } from '../marks/toggled';
import { ChooseFolder } from './choose-folder';
import { CommonTerm, type TermWords } from './common-term';
import { GroupTable } from './group-table';
import { TogetherProgress } from './together-progress';
import { useSendGroups } from './use-send-groups';
import styles from './many.module.css';

/** A folder of packages with their side files: whose is whose, then all of them at once. */
export function BringInMany({ terms }: { terms: readonly HouseTerm[] }) {
  const [files, setFiles] = useState<ReadonlyMap<string, File>>(new Map());
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [codes, setCodes] = useState<Readonly<Record<string, string>>>({});
  const [term, setTerm] = useState<TermWords>({ termTitle: '', termStart: '', termEnd: '' });
  const { groups, strangers } = useMemo(() => groupPackages([...files.keys()]), [files]);
  const wanted = groups.filter((group) => !left.has(group.package));
  const sending = useSendGroups();
  const codeOf = (group: PackageGroup) => entryOf(codes, group.package) ?? group.code;
  if (sending.state === 'over') return <Outcome sending={sending} count={wanted.length} />;
  const isBusy = sending.state !== 'idle';
  return (
    <div className={styles.many}>
      <ChooseFolder isBusy={isBusy} onFiles={setFiles} />
      {files.size > 0 && groups.length === 0 && (
        <Alert severity="info">
          There is no package (.imscc or .zip) among these files; choose another folder.
        </Alert>
      )}
      {groups.length > 0 && (
        <>
          <CommonTerm terms={terms} term={term} onTerm={setTerm} />
          <GroupTable
            groups={groups}
            left={left}
            codeOf={codeOf}
            troubleOf={(group) => sending.troubles.get(group.package) ?? null}
            onToggle={(path) => setLeft((now) => toggled(now, [path]))}
            onCode={(path, code) => setCodes((now) => ({ ...now, [path]: code }))}
          />
          {strangers.length > 0 && <Strangers strangers={strangers} />}
          {sending.progress && (
            <TogetherProgress progress={sending.progress} doing="Bringing in" onCancel={sending.cancel} />
          )}
          <div>
            <Button
              variant="contained"
              disabled={isBusy || wanted.length === 0}
              onClick={() => void sending.send(wanted, { files, codeOf, term })}
            >
              {isBusy ? 'Bringing in …' : `Bring in and comb ${plural(wanted.length, 'shell')}`}
            </Button>
          </div>
        </>
      )}
    </div>
  );
}

function Strangers({ strangers }: { strangers: readonly { readonly path: string; readonly why: string }[] }) {
  return (
    <details>
      <summary>{plural(strangers.length, 'file')} will not be used</summary>
      <ul>
        {strangers.map(({ path, why }) => (
          <li key={path}>
            {path}: {why}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** What came of it: how many are here, and what went wrong with which. */
function Outcome({ sending, count }: { sending: ReturnType<typeof useSendGroups>; count: number }) {
  const troubles = [...sending.troubles];
  return (
    <div className={styles.many} role="status">
      <h2>
        {count - troubles.length} of {plural(count, 'shell')} brought in
      </h2>
      {troubles.length > 0 && (
        <ul>
          {troubles.map(([path, trouble]) => (
            <li key={path}>
              {path}: {trouble}
            </li>
          ))}
        </ul>
      )}
      <p>
        <Link href="/">To the list of shells</Link>: they are being combed one after another.
      </p>
    </div>
  );
}
