import type { LocalDate } from '@/core/dates/local-date';
import type { Shell } from './model';
import { shellRef } from '@/core/refs/refs';

/** A shell with nothing in it, to be filled by a reader or a test. */
export const emptyShell: Shell = {
  ref: shellRef('empty'),
  code: '',
  title: '',
  timeZone: 'UTC',
  term: { title: '', start: null, end: null },
  previousTerm: null,
  schoolYear: null,
  noClassDays: [],
  asOf: '1970-01-01' as LocalDate,
  items: [],
  contents: [],
  files: [],
  entries: [],
  events: [],
  previousEvents: null,
  gradeCategories: [],
  gradeColumns: [],
  banks: [],
  groups: [],
  homePages: [],
  enrolments: {},
  frame: {
    format: 'common-cartridge',
    version: '1.3.0',
    title: '',
    metadataXml: [],
    organizationId: 'outline',
    rootItemId: 'outline-root',
    prefixes: {},
    extraXml: [],
  },
  calendar: null,
  baseline: null,
};
