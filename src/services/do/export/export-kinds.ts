/** What a shell, or a part of it, can be taken along as: the ending of the file's name and its media type. */
export const exportNames = {
  package: { ending: '.imscc', type: 'application/zip' },
  events: { ending: '.ics', type: 'text/calendar; charset=utf-8' },
  'due-dates': { ending: '-with-due-dates.ics', type: 'text/calendar; charset=utf-8' },
  grades: { ending: '-grades.zip', type: 'application/zip' },
  status: { ending: '-status.csv', type: 'text/csv; charset=utf-8' },
  state: { ending: '-state.json', type: 'application/json' },
} as const;
export type ExportKind = keyof typeof exportNames;
export const exportKinds = Object.keys(exportNames) as [ExportKind, ...ExportKind[]];
