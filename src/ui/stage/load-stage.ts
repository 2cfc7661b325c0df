/** Where what a stage shows is asked for. `drawn` is another one each time that the page was drawn: then it is asked anew. */
export interface StageSource<View> {
  readonly shellId: string;
  readonly url: string;
  readonly drawn: string;
  /** What is answered there; it tells types apart and is never set. */
  readonly __view?: View;
}

export type LoadedStage<View> =
  | { readonly is: 'here'; readonly view: View }
  /** Something of the shell is damaged; the sentence names it. */
  | { readonly is: 'damaged'; readonly sentence: string }
  | { readonly is: 'trouble'; readonly sentence: string };

/** So many answers are kept: a page that waits for a new one still shows the one before. */
const mostKept = 6;
const kept = new Map<string, Promise<LoadedStage<unknown>>>();

/** What a stage shows; asked once for each time that the page was drawn. */
export function loadStage<View>({ url, drawn }: StageSource<View>): Promise<LoadedStage<View>> {
  const key = `${drawn} ${url}`;
  const known = kept.get(key);
  if (known) return known as Promise<LoadedStage<View>>;
  const asked = askFor<View>(url);
  kept.set(key, asked);
  const oldest = kept.keys().next().value;
  if (kept.size > mostKept && oldest !== undefined) kept.delete(oldest);
  return asked;
}

async function askFor<View>(url: string): Promise<LoadedStage<View>> {
  try {
    // Without headers of its own it is the request that the page had the browser begin already.
    const response = await fetch(url);
    if (response.ok) return { is: 'here', view: (await response.json()) as View };
    const { trouble } = (await response.json()) as { readonly trouble?: string };
    const sentence = trouble ?? 'That did not work; try again.';
    return { is: response.status === 422 ? 'damaged' : 'trouble', sentence };
  } catch {
    return { is: 'trouble', sentence: 'Currycomb does not answer; is it still running?' };
  }
}
