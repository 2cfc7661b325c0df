'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import type { RuleSet } from '@/services/do/rules/rule-sets';
import { send } from '../jobs/use-job';
import styles from './house-rules.module.css';

interface RuleSetsProps {
  readonly set: string;
  readonly sets: readonly RuleSet[];
}

/** The house’s own rules and those of its departments, one of which is shown below. */
export function RuleSets({ set, sets }: RuleSetsProps) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const shown = sets.find(({ id }) => id === set);
  const isDepartment = sets[0]?.id !== set;
  const begin = async () => {
    const sent = await send<{ id: string }>('/api/house-rules/sets', { name, like: set });
    setTrouble(sent.ok ? null : sent.trouble);
    if (!sent.ok) return;
    setName('');
    router.push(`/house-rules?set=${sent.value.id}`);
    router.refresh();
  };
  const drop = async () => {
    const sent = await send('/api/house-rules/sets', { id: set }, 'DELETE');
    setTrouble(sent.ok ? null : sent.trouble);
    if (!sent.ok) return;
    router.push('/house-rules');
    router.refresh();
  };
  return (
    <section aria-label="Departments" className={styles.sets}>
      <nav aria-label="Whose rules">
        {sets.map(({ id, name: title, shells }) => (
          <Link key={id} href={`/house-rules?set=${id}`} aria-current={id === set ? 'page' : undefined}>
            {title} <span className="soft number">{plural(shells, 'shell')}</span>
          </Link>
        ))}
      </nav>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() !== '') void begin();
        }}
      >
        <TextField
          size="small"
          label="New department"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Button type="submit" disabled={name.trim() === ''}>
          Begin with these rules
        </Button>
        {isDepartment && (
          <Button onClick={() => void drop()}>
            Drop {shown?.name}’s rules ({plural(shown?.shells ?? 0, 'shell')} go by the house’s)
          </Button>
        )}
      </form>
      {trouble !== null && <Alert severity="error">{trouble}</Alert>}
      <p className="soft" style={{ margin: 0 }}>
        Shells are put under a department in the list of shells: choose them, then “House rules”.
      </p>
    </section>
  );
}
