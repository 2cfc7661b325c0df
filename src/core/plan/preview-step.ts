import type { Shell } from '@/core/shell/model';
import { applyAction, actionOf } from './step';
import { actionNamed, makeStep, type WrittenStep } from './written-step';

/**
 * A step shown at once, before the server has tried it: by the action’s own function, on the part of the shell that is
 * here. Null for a step that needs more of the shell than its items; the server’s answer is waited for then.
 */
export function previewStep(shell: Shell, written: Omit<WrittenStep, 'from'>): Shell | null {
  const name = actionNamed(written);
  if (name === null || actionOf(name).isOfOutline !== true) return null;
  const step = makeStep(shell, { ...written, from: 'hand' });
  return step.ok ? applyAction(shell, name, step.value.targets).shell : null;
}
