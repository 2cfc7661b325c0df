import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import type { Context } from '@/services/keep/desks/context';
import { chosenShells, shellIdsSchema } from '@/services/do/many-shells/chosen-shells';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { TopBar } from '@/ui/frame/top-bar';
import { withContext } from '../with-context';

interface ChosenPageProps {
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}

/** A page about several shells of the list, named in its address: `?shells=ID,ID`. */
export const chosenPage = (
  title: string,
  draw: (shells: readonly CurrentShell[], context: Context) => ReactNode,
) =>
  async function ChosenPage({ searchParams }: ChosenPageProps): Promise<ReactNode> {
    const written = (await searchParams)['shells'];
    const ids = shellIdsSchema.safeParse(typeof written === 'string' ? written.split(',') : []);
    if (!ids.success) notFound();
    const drawn = withContext((context) => {
      const chosen = chosenShells(context, ids.data);
      return chosen.ok ? draw(chosen.value, context) : <p>{chosen.trouble.message}</p>;
    });
    return (
      <>
        <TopBar title={title} />
        <main id="main" style={{ padding: '20px 22px', maxWidth: 1400, margin: '0 auto' }}>
          {drawn}
        </main>
      </>
    );
  };
