/** What was asked for took too long or too much memory and was ended. The message is the sentence for the person. */
export class StoppedStage extends Error {
  override readonly name = 'StoppedStage';
}

/** By its name: the framework loads a copy of the code for each route, and each copy has a class of its own. */
export const isStoppedStage = (error: unknown): error is StoppedStage =>
  error instanceof Error && error.name === 'StoppedStage';
