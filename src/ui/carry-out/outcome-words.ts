/** What became of an operation, in words for people. */
export const outcomeWords: Readonly<Record<string, string>> = {
  failed: 'left',
  nothing: 'not done',
  'by-hand': 'to be done by hand',
  ticked: 'done by hand',
  undone: 'taken back',
  overcome: 'overcome',
};
