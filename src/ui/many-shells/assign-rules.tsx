'use client';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useRouter } from 'next/navigation';
import { useSnackbar } from '../theme/message-bar';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import type { RuleSet } from '@/services/do/rules/rule-sets';
import { send } from '../jobs/use-job';

interface AssignRulesProps {
  readonly ids: readonly string[];
  readonly sets: readonly RuleSet[];
  readonly onDone: () => void;
}

/** Puts the chosen shells under a department’s rules. */
export function AssignRules({ ids, sets, onDone }: AssignRulesProps) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const assign = async ({ id, name }: RuleSet) => {
    setAnchor(null);
    const sent = await send('/api/together/rules', { shells: ids, set: id });
    if (!sent.ok) return void enqueueSnackbar(sent.trouble, { variant: 'error' });
    enqueueSnackbar(
      `${plural(ids.length, 'shell')} under the rules of ${name}; comb again to see what that changes.`,
    );
    onDone();
    router.refresh();
  };
  return (
    <>
      <Button
        disabled={ids.length === 0}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        House rules
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {sets.map((set) => (
          <MenuItem key={set.id} onClick={() => void assign(set)}>
            {set.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
