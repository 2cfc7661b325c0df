import { elementAt } from '@/core/sure';

/** A saddle cloth's colour and weave, made from a shell's code: another shell looks another way. */
export interface ClothPattern {
  readonly ground: string;
  readonly thread: string;
  readonly weave: number;
}

/** Grounds on which paper-white text reaches 7:1 or better (WCAG 2.2, 1.4.6). */
const grounds: readonly (readonly [string, string])[] = [
  ['#12525c', '#1d6773'],
  ['#5a1f3d', '#73304f'],
  ['#2d4a22', '#3f6131'],
  ['#3a2a6b', '#4d3c85'],
  ['#6b2f0c', '#84431c'],
  ['#1d3f73', '#2c538e'],
  ['#4a4310', '#615a1e'],
  ['#5c1a1a', '#762b2b'],
  ['#26443e', '#385b54'],
  ['#44254f', '#5a3866'],
];
export const weaveCount = 6;

export function clothOf(code: string): ClothPattern {
  let hash = 2166136261;
  for (const c of code.trim().toLowerCase()) hash = Math.imul(hash ^ (c.codePointAt(0) ?? 0), 16777619) >>> 0;
  const [ground, thread] = elementAt(grounds, hash % grounds.length);
  return { ground, thread, weave: Math.floor(hash / grounds.length) % weaveCount };
}

/** The weave as a CSS background. */
export function clothBackground({ ground, thread, weave }: ClothPattern): string {
  const weaves = [
    `repeating-linear-gradient(135deg, ${thread} 0 8px, transparent 8px 16px)`,
    `repeating-linear-gradient(90deg, ${thread} 0 3px, transparent 3px 14px), repeating-linear-gradient(0deg, ${thread} 0 3px, transparent 3px 14px)`,
    `repeating-linear-gradient(90deg, ${thread} 0 10px, transparent 10px 20px)`,
    `radial-gradient(circle at 7px 7px, ${thread} 0 3.5px, transparent 4px) 0 0 / 14px 14px`,
    `repeating-linear-gradient(45deg, ${thread} 0 3px, transparent 3px 11px), repeating-linear-gradient(135deg, ${thread} 0 3px, transparent 3px 11px)`,
    `repeating-linear-gradient(0deg, ${thread} 0 6px, transparent 6px 12px, ${thread} 12px 14px, transparent 14px 22px)`,
  ];
  return `${weaves[weave % weaves.length]}, ${ground}`;
}
