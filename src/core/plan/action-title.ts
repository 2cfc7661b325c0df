import { actionNames } from './actions/registry';
import { actionOf } from './step';

/** What an action is called in tables of steps; one that nobody knows any more goes by its name. */
export function actionTitle(written: string): string {
  const name = actionNames.find((known) => known === written);
  return name === undefined ? written : actionOf(name).title;
}
