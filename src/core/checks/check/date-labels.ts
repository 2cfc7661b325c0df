/** What the dates of an item are called in evidence. */
export const dateLabels = { opens: 'Opens', due: 'Due', closes: 'Closes' } as const;
