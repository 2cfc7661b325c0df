'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useSnackbar } from '../theme/message-bar';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import type { RecipeLine, RecipeView, ShellRecipe } from '@/services/show/recipes/shell-recipe';
import { send } from '../jobs/use-job';
import styles from './recipe-page.module.css';

/** A recipe for a shell: chosen here, then a list that says what is done and where the next step is. */
export function RecipePage({ view }: { view: RecipeView }) {
  const { isBusy, edit } = useRecipeEdit(view.id);
  return (
    <div className={styles.page}>
      {view.recipe ? (
        <Followed view={view} recipe={view.recipe} isBusy={isBusy} edit={edit} />
      ) : (
        <>
          <div>
            <h1>What is {view.code} to become?</h1>
            <p className="soft" style={{ margin: '4px 0 0' }}>
              A recipe is a short list of steps on the same stages. You can leave it and come back, or let it
              go: what was done stays.
            </p>
          </div>
          <ul className={styles.choices}>
            {view.choices.map(({ id, title, when, steps }) => (
              <li key={id}>
                <h2>{title}</h2>
                <p>{when}.</p>
                <Button
                  variant="outlined"
                  disabled={isBusy}
                  onClick={() => void edit({ edit: 'choose', recipe: id })}
                >
                  {title}: {plural(steps, 'step')}
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

type Edit = (edit: Readonly<Record<string, unknown>>) => Promise<void>;

function useRecipeEdit(shellId: string): { readonly isBusy: boolean; readonly edit: Edit } {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [isBusy, setBusy] = useState(false);
  const edit: Edit = async (body) => {
    setBusy(true);
    const result = await send(`/api/shells/${shellId}/recipe`, body);
    setBusy(false);
    if (!result.ok) enqueueSnackbar(result.trouble, { variant: 'error' });
    router.refresh();
  };
  return { isBusy, edit };
}

interface FollowedProps {
  readonly view: RecipeView;
  readonly recipe: ShellRecipe;
  readonly isBusy: boolean;
  readonly edit: Edit;
}

function Followed({ view, recipe, isBusy, edit }: FollowedProps) {
  const { lines, doneCount, next, title } = recipe;
  return (
    <>
      <div className={styles.head}>
        <div style={{ flex: 1 }}>
          <h1>
            {title}: {doneCount} of {lines.length} done
          </h1>
          <p className="soft" style={{ margin: '4px 0 0' }}>
            {next === null ? `${view.code} is through.` : `Next: ${next}.`}
          </p>
        </div>
        <Button variant="text" disabled={isBusy} onClick={() => void edit({ edit: 'end' })}>
          Let the recipe go
        </Button>
      </div>
      <ol className={styles.lines} aria-label={title}>
        {lines.map((line) => (
          <Line
            key={line.id}
            shellId={view.id}
            line={line}
            isNext={line.title === next}
            isBusy={isBusy}
            onTick={(isDone) => void edit({ edit: 'tick', step: line.id, isDone })}
          />
        ))}
      </ol>
    </>
  );
}

interface LineProps {
  readonly shellId: string;
  readonly line: RecipeLine;
  readonly isNext: boolean;
  readonly isBusy: boolean;
  readonly onTick: (isDone: boolean) => void;
}

function Line({ shellId, line, isNext, isBusy, onTick }: LineProps) {
  const { id, title, says, at, isDone, isTicked } = line;
  return (
    <li data-step={id} data-done={isDone} aria-current={isNext ? 'step' : undefined}>
      <span className={styles.mark}>{isDone ? '✓ done' : 'to do'}</span>
      <div>
        <h2>
          <Link href={`/shells/${shellId}/${at}`}>{title}</Link>
        </h2>
        <p className="soft">{says}</p>
      </div>
      {isTicked && (
        <Button size="small" variant="outlined" disabled={isBusy} onClick={() => onTick(!isDone)}>
          {isDone ? 'Not done yet' : 'I have done it'}
        </Button>
      )}
    </li>
  );
}
