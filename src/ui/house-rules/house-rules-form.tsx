'use client';
import { entryOf } from '@/core/entries';
import Alert from '@mui/material/Alert';
import TextField from '@mui/material/TextField';
import Link from 'next/link';
import { useState } from 'react';
import { families, familyTitles, type Family } from '@/core/checks/finding/finding';
import type { WrittenRules } from '@/services/keep/rules/written-rules';
import { FamilyShape } from '../marks/family-shape';
import { CheckSettings, type CheckForm } from './check-settings';
import styles from './house-rules.module.css';
import { LiveEffectLine, type TrialShell } from './live-effect-line';
import { TermsEditor } from './terms-editor';
import { RuleSetActions } from './rule-set-actions';
import { useLiveEffect, type LiveEffect } from './use-live-effect';
import { useRuleSet } from './use-rule-set';
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
  const ruleSet = useRuleSet(set, kept);
  const { rules, setRules, trouble } = ruleSet;
  const [shell, setShell] = useState(shells[0]?.id ?? null);
  const live = useLiveEffect(shell, rules, kept);
  return (
    <div className={styles.form}>
      <div className={styles.bar}>
        <LiveEffectLine shells={shells} shell={shell} onShell={setShell} live={live} />
        <span style={{ flex: 1 }} />
        <RuleSetActions set={set} ruleSet={ruleSet} />
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
              value={(entryOf(rules, list.name) as readonly string[] | undefined) ?? list.normal}
              onChange={(lines) => setRules(withList(rules, list.name, lines, list.normal))}
            />
          ))}
        </div>
      </section>
      <TermsEditor rules={rules} onChange={setRules} />
      {families.map((family) => (
        <FamilyRules
          key={family}
          family={family}
          checks={checks.filter(({ id }) => id.startsWith(`${family}.`))}
          rules={rules}
          live={live}
          onChange={setRules}
        />
      ))}
    </div>
  );
}

interface FamilyRulesProps {
  readonly family: Family;
  readonly checks: readonly CheckForm[];
  readonly rules: WrittenRules;
  readonly live: LiveEffect;
  readonly onChange: (rules: WrittenRules) => void;
}

/** The checks of one family, each with its settings. */
function FamilyRules({ family, checks, rules, live, onChange }: FamilyRulesProps) {
  return (
    <section aria-labelledby={`rules-${family}`}>
      <h2 id={`rules-${family}`} className={styles.family}>
        <FamilyShape family={family} size={17} />
        {familyTitles[family]}
      </h2>
      <ul className={styles.checks}>
        {checks.map((check) => (
          <li key={check.id}>
            <h3>
              <Link href={`/checks/${check.id}`}>{check.title}</Link>
            </h3>
            <CheckSettings
              check={check}
              rules={rules}
              effect={live.effects?.get(check.id) ?? null}
              onChange={onChange}
            />
          </li>
        ))}
      </ul>
    </section>
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
