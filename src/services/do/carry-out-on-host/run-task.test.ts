import { runTask } from './run-task';

test('a run that an earlier Currycomb began goes on, whatever else its row says', () => {
  const task = {
    versionId: 'v',
    stateBlob: 'a'.repeat(64),
    rules: {},
    what: { is: 'undo', parts: [] },
  };
  expect(runTask.parse({ ...task, intake: [{ code: 'c', message: 'm', where: '' }] })).toEqual(
    runTask.parse(task),
  );
  expect(() => runTask.parse({ ...task, versionId: undefined })).toThrow();
});
