import Button from '@mui/material/Button';
import { FileButton } from '../parts/file-button';
import type { EditedRuleSet } from './use-rule-set';

/** What can be done with a set of house rules as a whole: out to a file, in from one, back, kept. */
export function RuleSetActions({ set, ruleSet }: { set: string; ruleSet: EditedRuleSet }) {
  return (
    <>
      <Button href={`/api/house-rules?set=${set}`}>Export</Button>
      <FileButton
        words="Import"
        label="House rules file"
        accept=".json,application/json"
        onFile={(file) => void ruleSet.take(file)}
      />
      {ruleSet.isChanged && <Button onClick={ruleSet.reset}>Back to what is kept</Button>}
      <Button variant="contained" disabled={!ruleSet.isChanged} onClick={() => void ruleSet.save()}>
        Save
      </Button>
    </>
  );
}
