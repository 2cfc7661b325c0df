/** A name for a file out of what a shell or report is called; `otherwise` where nothing of it can stand in a name. */
export const fileNameOf = (title: string, otherwise = 'shell'): string =>
  title.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || otherwise;

/** The header that has a browser save an answer under a name (RFC 6266, section 4.3). */
export const attachment = (name: string): string =>
  `attachment; filename*=UTF-8''${encodeURIComponent(name)}`;
