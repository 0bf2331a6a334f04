import { defineConfig } from 'eslint/config';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

export default defineConfig(
  { ignores: ['dist/', 'coverage/', '.angular/', 'data/', 'e2e/_*'] },
  {
    files: ['**/*.ts'],
    extends: [tseslint.configs.recommendedTypeChecked],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      'no-console': 'error',
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
      // A void promise is how an event handler says that it does not wait.
      'no-void': 'off',
    },
    languageOptions: {
      parserOptions: { tsconfigRootDir: import.meta.dirname, project: 'tsconfig.lint.json' },
    },
  },
  // A journey is one story, told from its beginning to its end.
  { files: ['e2e/**/*.spec.ts'], rules: { 'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }] } },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.spec.ts', 'core/tests/**'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'localStorage', 'setTimeout', 'performance', 'console'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The core has no clock: take the time as an argument.' },
        { object: 'Math', property: 'random', message: 'The core has no dice: take a seed as an argument.' },
      ],
    },
  },
  {
    files: ['web/**/*.ts'],
    extends: [angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: { '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'zest', style: 'kebab-case' }] },
  },
  { files: ['web/**/*.html'], extends: [angular.configs.templateRecommended, angular.configs.templateAccessibility] },
  { files: ['web/src/main.ts', 'e2e/**/*.ts', 'bench/**/*.ts', 'prove/**/*.ts'], rules: { 'no-console': 'off' } },
);
