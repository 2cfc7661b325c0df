/** Expected trouble, said in one sentence: what is wrong, where, and what to do. */
export interface Trouble {
  readonly code: string;
  readonly message: string;
}
export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly trouble: Trouble };

export const good = <T>(value: T): Result<T> => ({ ok: true, value });
export const bad = (code: string, message: string): { readonly ok: false; readonly trouble: Trouble } => ({
  ok: false,
  trouble: { code, message },
});

/** One line of the intake report: what a reader met that a person should know. */
export interface IntakeNote {
  readonly code: string;
  readonly message: string;
  /** The file, line or ref it is about; empty for the whole input. */
  readonly where: string;
}
