/**
 * What a job of each kind is given. The registry of jobs fills it in: whoever orders a job names its kind, and needs
 * none of the code that does it.
 */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- the registry extends it
export interface JobInputs {}

export type JobKind = keyof JobInputs;
export type JobInput<Kind extends JobKind> = JobInputs[Kind];
