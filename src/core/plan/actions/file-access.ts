import { z } from 'zod';
import { fileOfShell } from '@/core/shell/find-things';
import { defineAction, mapped, setsByRef } from '@/core/plan/action/action';

const readers = z.enum(['all', 'staff']);

/** Says who can read a file. */
export const fileAccess = defineAction({
  name: 'file-access',
  label: 'Change access of',
  title: 'Change who can read',
  toDo: ({ title, sets }) => ({
    what: `Let ${sets.readableBy === 'all' ? 'everyone in the course' : 'staff only'} read “${title}”.`,
    lookFor: 'Its access says so.',
  }),
  decides: 'access',
  isSetting: true,
  lastCounts: true,
  isDivisible: true,
  nothing: 'it is readable so already',
  phase: 'change',
  on: ['file'],
  only: 'it is not a file of this shell',
  joins: true,
  params: z.strictObject({ readers }),
  perTarget: [],
  expects: z.strictObject({ readableBy: readers.nullable() }),
  sets: z.strictObject({ readableBy: readers }),
  setsOf: (params) => ({ readableBy: params.readers }),
  paramsOf: (targets) => ({ readers: targets[0]?.sets.readableBy ?? 'all' }),
  now: (shell, ref) => {
    const file = fileOfShell(shell, ref);
    return file ? { readableBy: file.readableBy } : null;
  },
  isSet: (now, sets) => now.readableBy === sets.readableBy,
  apply: (shell, targets) => {
    const wanted = setsByRef(targets);
    const files = mapped(shell.files, (file) => {
      const to = wanted.get(file.path);
      return to === undefined ? file : { ...file, readableBy: to.readableBy };
    });
    return { shell: { ...shell, files }, blocked: new Map() };
  },
});
