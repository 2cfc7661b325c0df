import { useRouter } from 'next/navigation';
import { useSnackbar } from '../theme/message-bar';
import { useState } from 'react';
import type { WrittenRules } from '@/services/keep/rules/written-rules';
import { send } from '../jobs/use-job';

/** A set of house rules while it is edited. */
export interface EditedRuleSet {
  readonly rules: WrittenRules;
  readonly isChanged: boolean;
  /** Why the last try to keep it came to nothing. */
  readonly trouble: string | null;
  readonly setRules: (rules: WrittenRules) => void;
  /** Goes back to what is kept. */
  readonly reset: () => void;
  readonly save: () => Promise<void>;
  /** Puts the rules of a file in use. */
  readonly take: (file: File) => Promise<void>;
}

export function useRuleSet(set: string, kept: WrittenRules): EditedRuleSet {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [rules, setRules] = useState(kept);
  const [trouble, setTrouble] = useState<string | null>(null);
  const keep = async (next: WrittenRules, said: string) => {
    const saved = await send(`/api/house-rules?set=${set}`, next, 'PUT');
    setTrouble(saved.ok ? null : saved.trouble);
    if (!saved.ok) return;
    setRules(next);
    enqueueSnackbar(said, { variant: 'success' });
    router.refresh();
  };
  return {
    rules,
    isChanged: JSON.stringify(rules) !== JSON.stringify(kept),
    trouble,
    setRules,
    reset: () => setRules(kept),
    save: () => keep(rules, 'The house rules are kept. Shells say so where they were combed by others.'),
    take: async (file) => {
      const read = readRules(await file.text());
      if (read) await keep(read, `The rules of “${file.name}” are in use now.`);
      else setTrouble(`“${file.name}” is not readable as JSON; check its commas and brackets.`);
    },
  };
}

/** Null where the text is no JSON; whether it says house rules is held against their form where it is kept. */
function readRules(text: string): WrittenRules | null {
  try {
    return JSON.parse(text) as WrittenRules;
  } catch {
    return null;
  }
}
