import expo from 'eslint-config-expo/flat.js';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      '**/node_modules/',
      'app/dist/',
      'app/.expo/',
      'app/public/',
      'app/expo-env.d.ts',
      '.cache/',
      'server/data/',
      'test-results/',
      'playwright-report/',
    ],
  },
  ...expo,
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      'no-console': ['error', { allow: ['warn', 'error'] }],
      'no-empty': 'error',
      eqeqeq: ['error', 'always'],
      'import/no-unresolved': 'off',
      // `fc.record` says more than `record`.
      'import/no-named-as-default-member': 'off',
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Core has no clock; it is passed in.' },
        { object: 'Math', property: 'random', message: 'Core has no randomness; pass it in.' },
      ],
    },
  },
  {
    // Fonts are required so that the bundler ships them.
    files: ['app/src/ui/fonts.ts'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  {
    // These print: it is what they are for.
    files: ['{bench,cli,demo,scripts,references,e2e}/**/*', 'server/src/main.ts', '**/*.mjs'],
    rules: { 'no-console': 'off' },
  },
  {
    files: ['**/*.{mjs,cjs,js}'],
    languageOptions: {
      globals: { process: 'readonly', console: 'readonly', URL: 'readonly', __dirname: 'readonly' },
    },
  },
  prettier,
);
