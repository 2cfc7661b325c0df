'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { WatchedPackage, WatchedView } from '@/services/do/watched/watched-folder';
import { send } from '../jobs/use-job';
import styles from './many.module.css';

/** A folder of this computer from which packages are brought in as they come. */
export function WatchedFolder({ view }: { view: WatchedView }) {
  const router = useRouter();
  const [trouble, setTrouble] = useState<string | null>(null);
  const watch = async (wanted: string) => {
    const sent = await send('/api/watched-folder', { path: wanted }, 'PUT');
    setTrouble(sent.ok ? null : sent.trouble);
    if (sent.ok) router.refresh();
  };
  return (
    <section aria-labelledby="watched" className={styles.many} style={{ marginTop: 36 }}>
      <div>
        <h2 id="watched">Watch a folder</h2>
        <p className="soft" style={{ margin: '4px 0 0', maxWidth: 760 }}>
          What is put into a folder of this computer is brought in and combed by itself, a few seconds after
          its last file. It is copied, so you may move it away. The house’s terms say which term it belongs
          to.
        </p>
      </div>
      <FolderForm key={view.path} watched={view.path} onWatch={(wanted) => void watch(wanted)} />
      {trouble !== null && <Alert severity="error">{trouble}</Alert>}
      {view.isGone && (
        <Alert severity="warning">
          {view.path} is not there any more, so nothing comes of it. Name it again when it is back.
        </Alert>
      )}
      {view.path !== null && view.packages.length === 0 && !view.isGone && (
        <p role="status">Watching {view.path}. Nothing has come yet.</p>
      )}
      {view.packages.length > 0 && (
        <ul className={styles.sides} aria-label="Packages that came">
          {view.packages.map((one) => (
            <li key={one.path}>
              <PackageLine one={one} />
            </li>
          ))}
        </ul>
      )}
      {view.unread.length > 0 && (
        <ul className={styles.sides} aria-label="Files that are not read">
          {view.unread.map(({ path, why }) => (
            <li key={path}>
              {path} is not read: {why}.
            </li>
          ))}
        </ul>
      )}
      {view.path !== null && (
        <div>
          <Button size="small" onClick={() => router.refresh()}>
            Look again
          </Button>
        </div>
      )}
    </section>
  );
}

interface FolderFormProps {
  readonly watched: string | null;
  /** An empty path watches nothing any more. */
  readonly onWatch: (path: string) => void;
}

function FolderForm({ watched, onWatch }: FolderFormProps) {
  const [path, setPath] = useState(watched ?? '');
  return (
    <form
      className={styles.term}
      onSubmit={(event) => {
        event.preventDefault();
        if (path.trim() !== '') onWatch(path);
      }}
    >
      <TextField
        size="small"
        label="Path of the folder"
        placeholder="/home/mira/packages"
        value={path}
        onChange={(event) => setPath(event.target.value)}
        sx={{ width: 420 }}
      />
      <Button type="submit" variant="outlined" disabled={path.trim() === '' || path === watched}>
        Watch it
      </Button>
      {watched !== null && <Button onClick={() => onWatch('')}>Watch it no more</Button>}
    </form>
  );
}

const stateWords: Readonly<Record<WatchedPackage['state'], string>> = {
  'under-way': 'is being read',
  here: 'is here',
  refused: 'was not brought in',
  taken: 'was taken',
};

function PackageLine({ one }: { one: WatchedPackage }) {
  const when = new Date(one.takenAt).toLocaleString('en-GB');
  const says = `${stateWords[one.state]}${one.trouble === null ? '' : `: ${one.trouble}`}`;
  return (
    <>
      {one.shellId === null ? one.path : <Link href={`/shells/${one.shellId}/comb`}>{one.path}</Link>} {says}{' '}
      <span className="soft number">{when}</span>
    </>
  );
}
