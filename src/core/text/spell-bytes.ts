/** A size as a person reads it: `214 MB`; 1 kB is 1,000 bytes (IEC 80000-13). */
export function spellBytes(bytes: number): string {
  const units = ['bytes', 'kB', 'MB', 'GB', 'TB'];
  let value = bytes;
  let unit = 0;
  while (value >= 1000 && unit < units.length - 1) {
    value /= 1000;
    unit += 1;
  }
  const digits = unit > 0 && value < 10 ? 1 : 0;
  return `${value.toFixed(digits)} ${bytes === 1 ? 'byte' : units[unit]}`;
}
