import { partsOf } from './parts';

const finding = (id: string, coveredBy: string | null = null) => ({ id, coveredBy });

test('a part is told apart as long as the larger finding is there', () => {
  const findings = [finding('import'), finding('pair', 'import'), finding('link')];
  expect([...partsOf(findings)].map((f) => f.id)).toEqual(['pair']);
  expect([...partsOf(findings.slice(1))]).toEqual([]);
});
