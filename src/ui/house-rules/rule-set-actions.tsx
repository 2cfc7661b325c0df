import Button from '@mui/material/Button';
import { useRef } from 'react';
import type { EditedRuleSet } from './use-rule-set';

/** What can be done with a set of house rules as a whole: out to a file, in from one, back, kept. */
export function RuleSetActions({ set, ruleSet }: { set: string; ruleSet: EditedRuleSet }) {
  const file = useRef<HTMLInputElement>(null);
  const take = (chosen: File | undefined) => {
    if (chosen) void ruleSet.take(chosen);
  };
  return (
    <>
      <Button href={`/api/house-rules?set=${set}`}>Export</Button>
      <Button onClick={() => file.current?.click()}>Import</Button>
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        hidden
        aria-label="House rules file"
        onChange={(event) => take(event.target.files?.[0])}
      />
      {ruleSet.isChanged && <Button onClick={ruleSet.reset}>Back to what is kept</Button>}
      <Button variant="contained" disabled={!ruleSet.isChanged} onClick={() => void ruleSet.save()}>
        Save
      </Button>
    </>
  );
}
