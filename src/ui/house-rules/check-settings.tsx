'use client';
import { entryOf } from '@/core/entries';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import type { RuleEffect } from '@/core/checks/run/compare-findings';
import { urgencies, urgencyTitles, type Urgency } from '@/core/checks/finding/finding';
import type { Setting } from '@/core/checks/run/settings';
import type { WrittenRules } from '@/services/keep/rules/written-rules';
import { plural } from '@/core/text/plural';
import styles from './house-rules.module.css';
import { ownOf, withSetting } from './written-rules';

/** What a check's settings are made of, as plain data. */
export interface CheckForm {
  readonly id: string;
  readonly title: string;
  readonly urgency: Urgency;
  readonly settings: readonly Setting[];
}

interface CheckSettingsProps {
  readonly check: CheckForm;
  readonly rules: WrittenRules;
  readonly effect: RuleEffect | null;
  readonly onChange: (rules: WrittenRules) => void;
}

/** One check's settings: on or off, how urgent, and its own numbers. */
export function CheckSettings({ check, rules, effect, onChange }: CheckSettingsProps) {
  const settings = ownOf(rules, check.id);
  const on = settings['on'] !== false;
  const set = (name: string, value: unknown, normal: unknown) =>
    onChange(withSetting(rules, check.id, name, value, normal));
  return (
    <div className={styles.settings}>
      <FormControlLabel
        control={<Switch checked={on} onChange={(e) => set('on', e.target.checked, true)} />}
        label="Look for it"
      />
      <TextField
        select
        size="small"
        label="Urgency"
        value={settings['urgency'] ?? check.urgency}
        disabled={!on}
        onChange={(e) => set('urgency', e.target.value, check.urgency)}
        sx={{ width: 132 }}
      >
        {urgencies.map((u) => (
          <MenuItem key={u} value={u}>
            {urgencyTitles[u]}
          </MenuItem>
        ))}
      </TextField>
      {check.settings.map((s) => (
        <NumberField
          key={s.name}
          setting={s}
          value={(entryOf(settings, s.name) as number | undefined) ?? s.normal}
          disabled={!on}
          onChange={(value) => set(s.name, value, s.normal)}
        />
      ))}
      {effect && <span className={styles.effect}>{sayEffect(effect)}</span>}
    </div>
  );
}

function NumberField({
  setting,
  value,
  disabled,
  onChange,
}: {
  setting: Setting;
  value: number;
  disabled: boolean;
  onChange: (value: number) => void;
}) {
  const wrong =
    (setting.least !== null && value < setting.least) ||
    (setting.most !== null && value > setting.most) ||
    (setting.whole && !Number.isInteger(value)) ||
    Number.isNaN(value);
  return (
    <TextField
      size="small"
      type="number"
      label={setting.says}
      value={Number.isNaN(value) ? '' : value}
      disabled={disabled}
      error={wrong}
      helperText={
        wrong
          ? `From ${setting.least ?? 'any'} to ${setting.most ?? 'any'}${setting.whole ? ', whole' : ''}; normally ${setting.normal}`
          : undefined
      }
      onChange={(e) => onChange(e.target.value === '' ? Number.NaN : Number(e.target.value))}
      slotProps={{
        htmlInput: {
          step: setting.whole ? 1 : 0.05,
          min: setting.least ?? undefined,
          max: setting.most ?? undefined,
        },
        inputLabel: { shrink: true },
      }}
      sx={{ width: Math.min(430, Math.max(200, setting.says.length * 7.4)) }}
    />
  );
}

/** “would change 14 findings: 14 fewer”. */
export function sayEffect({ come, go, reranked }: Omit<RuleEffect, 'check'>): string {
  const parts = [
    go ? `${go} fewer` : '',
    come ? `${come} more` : '',
    reranked ? `${reranked} of another urgency` : '',
  ].filter((p) => p !== '');
  const all = come + go + reranked;
  return all === 0 ? 'would change nothing' : `would change ${plural(all, 'finding')}: ${parts.join(', ')}`;
}
