/**
 * The title of a page, as the tab and a screen reader say it. It is drawn with the page, and not through the
 * router's metadata: those come after the page where it was not fetched ahead, and the tab is nameless meanwhile.
 */
export function PageTitle({ title }: { title: string }) {
  return <title>{`${title} · Currycomb`}</title>;
}
