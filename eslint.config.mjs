import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';

const config = [
  {
    ignores: [
      'node_modules/**',
      '.next/**',
      'dist/**',
      '.data/**',
      '.cache/**',
      'demo/out/**',
      'next-env.d.ts',
      'docs/**',
    ],
  },
  ...next,
  ...typescript,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: 'error',
      'no-nested-ternary': 'error',
      'no-console': 'error',
    },
  },
  {
    files: ['scripts/**', 'bench/**', 'e2e/**', 'demo/make.ts', 'stand-ins/**'],
    rules: { 'no-console': 'off' },
  },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
];
export default config;
