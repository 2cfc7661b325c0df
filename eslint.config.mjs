import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';
import { configs as typed } from 'typescript-eslint';
import noObjectAsMap from './scripts/lint/no-object-as-map.mjs';

const product = [
  'src/**/*.ts',
  'src/**/*.tsx',
  'demo/**/*.ts',
  'stand-ins/**/*.ts',
  'bench/**/*.ts',
  'e2e/**/*.ts',
  'scripts/**/*.ts',
];

const config = [
  {
    ignores: [
      'node_modules/**',
      '.next/**',
      '.next-test/**',
      'dist/**',
      'public/pdf.worker.min.mjs',
      '.data/**',
      '.cache/**',
      'demo/out/**',
      'next-env.d.ts',
      'docs/**',
    ],
  },
  ...next,
  ...typescript,
  ...typed.recommendedTypeChecked.map((config) => ({ ...config, files: product })),
  {
    files: product,
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      // An interface that promises is kept by whoever has nothing to wait for, too.
      '@typescript-eslint/require-await': 'off',
      // Our records are closures: none of their functions asks for `this`.
      '@typescript-eslint/unbound-method': 'off',
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      // Everything is as the formatter writes it.
      'no-warning-comments': ['error', { terms: ['prettier-ignore'], location: 'anywhere' }],
    },
  },
  {
    // A ref, a title or an address may be any text, “constructor” too.
    files: ['src/**/*.ts', 'src/**/*.tsx', 'demo/**/*.ts', 'stand-ins/**/*.ts'],
    ignores: ['**/*.test.ts', '**/__tests__/**', 'src/core/entries.ts'],
    plugins: { currycomb: { rules: { 'no-object-as-map': noObjectAsMap } } },
    rules: { 'currycomb/no-object-as-map': 'error' },
  },
  {
    // What can't be missing is asked for by core/sure, which says so where it is missing all the same.
    files: ['src/**/*.ts', 'src/**/*.tsx', 'demo/**/*.ts', 'stand-ins/**/*.ts'],
    ignores: ['**/*.test.ts', '**/__tests__/**'],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'error',
      'max-lines-per-function': ['error', { max: 65, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    ignores: ['src/ui/theme/message-bar.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          name: 'notistack',
          message: 'Take it from ui/theme/message-bar, which gives it what it needs first.',
        },
      ],
    },
  },
  {
    // What a test reads of foreign JSON is of no type until it is looked at.
    files: ['**/*.test.ts', '**/__tests__/**', 'e2e/**/*.ts'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
    },
  },
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: 'error',
      'no-nested-ternary': 'error',
      'no-console': 'error',
      'no-restricted-syntax': [
        'error',
        {
          selector:
            'CallExpression[callee.property.name=/^(push|unshift|splice|max|min|apply|fromCharCode|fromCodePoint)$/] > SpreadElement',
          message:
            'A list of input may hold more than a call takes: use append, largest or smallest of core/collect.',
        },
        ...['VariableDeclarator > Identifier.id', ':function > Identifier.params'].map((place) => ({
          selector: `${place}[name=/^(made|own|it)$/]`,
          message: 'Name it by what it is: whoever opens the file in the middle must know.',
        })),
      ],
    },
  },
  {
    files: ['scripts/**', 'bench/**', 'e2e/**', 'demo/make.ts', 'stand-ins/**'],
    rules: { 'no-console': 'off', 'no-restricted-syntax': 'off' },
  },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
];
export default config;
