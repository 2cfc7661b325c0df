'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useSnackbar } from 'notistack';
import { useRef, useState } from 'react';
import { families, familyTitles } from '@/core/checks/finding';
import type { WrittenRules } from '@/services/house-rules/written-rules';
import { send } from '../jobs/use-job';
import { FamilyShape } from '../marks/family-shape';
import { CheckSettings, type CheckForm } from './check-settings';
import styles from './house-rules.module.css';
import { LiveEffectLine, type TrialShell } from './live-effect-line';
import { TermsEditor } from './terms-editor';
import { useLiveEffect } from './use-live-effect';
import { linesOf, withList } from './written-rules';

export interface RuleList {
  readonly name: string;
  readonly title: string;
  readonly says: string;
  readonly normal: readonly string[];
}
interface HouseRulesFormProps {
  /** The set that is edited. */
  readonly set: string;
  readonly kept: WrittenRules;
  readonly lists: readonly RuleList[];
  readonly checks: readonly CheckForm[];
  readonly shells: readonly TrialShell[];
}

/** The house rules as a screen: lists, then every check, with what a change would do on a shell of one's own. */
export function HouseRulesForm({ set, kept, lists, checks, shells }: HouseRulesFormProps) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [rules, setRules] = useState(kept);
  const [shell, setShell] = useState(shells[0]?.id ?? null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const live = useLiveEffect(shell, rules, kept);
  const changed = JSON.stringify(rules) !== JSON.stringify(kept);
  const file = useRef<HTMLInputElement>(null);
  const save = async (next: WrittenRules, said: string) => {
    const saved = await send(`/api/house-rules?set=${set}`, next, 'PUT');
    setTrouble(saved.ok ? null : saved.trouble);
    if (!saved.ok) return;
    setRules(next);
    enqueueSnackbar(said, { variant: 'success' });
    router.refresh();
  };
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    try {
      await save(
        JSON.parse(await chosen.text()) as WrittenRules,
        `The rules of “${chosen.name}” are in use now.`,
      );
    } catch {
      setTrouble(`“${chosen.name}” is not readable as JSON; check its commas and brackets.`);
    }
  };
  return (
    <div className={styles.form}>
      <div className={styles.bar}>
        <LiveEffectLine shells={shells} shell={shell} onShell={setShell} live={live} />
        <span style={{ flex: 1 }} />
        <Button href={`/api/house-rules?set=${set}`}>Export</Button>
        <Button onClick={() => file.current?.click()}>Import</Button>
        <input
          ref={file}
          type="file"
          accept=".json,application/json"
          hidden
          aria-label="House rules file"
          onChange={(e) => void take(e.target.files?.[0])}
        />
        {changed && <Button onClick={() => setRules(kept)}>Back to what is kept</Button>}
        <Button
          variant="contained"
          disabled={!changed}
          onClick={() =>
            void save(rules, 'The house rules are kept. Shells say so where they were combed by others.')
          }
        >
          Save
        </Button>
      </div>
      {trouble && (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      <section aria-labelledby="lists">
        <h2 id="lists">Lists of your house</h2>
        <p className="soft">One entry a line.</p>
        <div className={styles.lists}>
          {lists.map((list) => (
            <ListField
              key={list.name}
              list={list}
              value={(rules[list.name] as readonly string[] | undefined) ?? list.normal}
              onChange={(lines) => setRules(withList(rules, list.name, lines, list.normal))}
            />
          ))}
        </div>
      </section>
      <TermsEditor rules={rules} onChange={setRules} />
      {families.map((family) => (
        <section key={family} aria-labelledby={`rules-${family}`}>
          <h2 id={`rules-${family}`} className={styles.family}>
            <FamilyShape family={family} size={17} />
            {familyTitles[family]}
          </h2>
          <ul className={styles.checks}>
            {checks
              .filter((c) => c.id.startsWith(`${family}.`))
              .map((check) => (
                <li key={check.id}>
                  <h3>
                    <Link href={`/checks/${check.id}`}>{check.title}</Link>
                  </h3>
                  <CheckSettings
                    check={check}
                    rules={rules}
                    effect={live.effects?.get(check.id) ?? null}
                    onChange={setRules}
                  />
                </li>
              ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

/** A list as lines of text: what is being typed stays as typed until the field is left. */
function ListField({
  list,
  value,
  onChange,
}: {
  list: RuleList;
  value: readonly string[];
  onChange: (lines: readonly string[]) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  return (
    <TextField
      multiline
      minRows={2}
      maxRows={6}
      size="small"
      label={list.title}
      helperText={list.says}
      value={text ?? value.join('\n')}
      onChange={(e) => {
        setText(e.target.value);
        onChange(linesOf(e.target.value));
      }}
      onBlur={() => setText(null)}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
}
