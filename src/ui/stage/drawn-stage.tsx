'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { Suspense, use, useSyncExternalStore, type ComponentType } from 'react';
import { UnreadableShell } from './unreadable-shell';
import { loadStage, type StageSource } from './load-stage';
import styles from './drawn-stage.module.css';

interface Viewing {
  readonly view: unknown;
}
type DrawnProps<Props extends Viewing> = Omit<Props, 'view'> & {
  readonly source: StageSource<Props['view']>;
};

/**
 * A stage that asks for what it shows. The page itself is small and there at once; what a large shell makes large comes
 * from a thread of its own, and nobody else waits for it.
 */
export function drawnFrom<Props extends Viewing>(
  Stage: ComponentType<Props>,
): ComponentType<DrawnProps<Props>> {
  return function DrawnStage({ source, ...more }) {
    const isInBrowser = useSyncExternalStore(stay, yes, no);
    if (!isInBrowser) return <Opening />;
    const draw = (view: Props['view']) => <Stage {...({ ...more, view } as unknown as Props)} />;
    return (
      <Suspense fallback={<Opening />}>
        <Loaded source={source} draw={draw} />
      </Suspense>
    );
  };
}

const stay = () => () => {};
const yes = () => true;
const no = () => false;

function Loaded<View>({
  source,
  draw,
}: {
  source: StageSource<View>;
  draw: (view: View) => React.ReactNode;
}) {
  const loaded = use(loadStage(source));
  switch (loaded.is) {
    case 'here':
      return draw(loaded.view);
    case 'damaged':
      return <UnreadableShell id={source.shellId} sentence={loaded.sentence} />;
    case 'trouble':
      return <NotShown sentence={loaded.sentence} />;
  }
}

/** It is said only where it takes a moment: most stages are there before anybody could read it. */
function Opening() {
  return (
    <p role="status" data-opening className={`soft ${styles.opening}`}>
      Opening …
    </p>
  );
}

function NotShown({ sentence }: { sentence: string }) {
  const router = useRouter();
  return (
    <div className={styles.trouble}>
      <h1>This can’t be shown now</h1>
      <p role="alert">{sentence}</p>
      <Button variant="contained" onClick={() => router.refresh()}>
        Try again
      </Button>
    </div>
  );
}
