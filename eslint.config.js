import js from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

/** What the core may never reach for: it has no interface, no machine, no clock and no dice of its own. */
const outsideTheCore = [
  {
    group: ['@angular/*', 'primeng', 'primeng/*', 'rxjs', 'rxjs/*', 'chart.js'],
    message: 'The core has no interface.',
  },
  { group: ['express', 'kysely', 'libsql', 'pino', 'pino-http', 'helmet'], message: 'The core has no server.' },
  { group: ['@inky-shoal/*'], message: 'The core imports nothing of the other packages.' },
  {
    group: [
      'node:*',
      'fs',
      'path',
      'os',
      'crypto',
      'http',
      'https',
      'net',
      'child_process',
      'worker_threads',
      'url',
      'util',
      'events',
      'stream',
      'process',
      'buffer',
      'perf_hooks',
    ],
    message: 'The core does not know the machine it runs on.',
  },
];
const outsideGlobals = [
  'window',
  'document',
  'localStorage',
  'navigator',
  'fetch',
  'process',
  'Buffer',
  'require',
  'performance',
  'crypto',
  'setTimeout',
  'setInterval',
  'console',
];

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      'apps/*/program/**',
      '**/.angular/**',
      '**/node_modules/**',
      '.build/**',
      '.data/**',
      'demo/src/data/**',
    ],
  },
  js.configs.recommended,
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.strict, ...tseslint.configs.stylistic],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: 'error',
    },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.spec.ts', 'packages/core/src/testing/**'],
    rules: {
      'no-restricted-imports': ['error', { patterns: outsideTheCore }],
      'no-restricted-globals': ['error', ...outsideGlobals],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Time comes in as an argument.' },
        {
          selector: "MemberExpression[object.name='Date'][property.name='now']",
          message: 'Time comes in as an argument.',
        },
        {
          selector: "MemberExpression[object.name='Math'][property.name='random']",
          message: 'Chance comes in as an argument.',
        },
      ],
    },
  },
  {
    files: ['apps/web/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'inky', style: 'kebab-case' }],
      '@angular-eslint/directive-selector': ['error', { type: 'attribute', prefix: 'inky', style: 'camelCase' }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
    },
  },
  {
    files: ['apps/web/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: {
      '@angular-eslint/template/label-has-associated-control': ['error', { controlComponents: ['p-checkbox'] }],
    },
  },
  {
    files: ['**/*.mjs', '**/*.js', 'e2e/**', 'bench/**'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        fetch: 'readonly',
        setTimeout: 'readonly',
        setInterval: 'readonly',
        clearTimeout: 'readonly',
        performance: 'readonly',
        Buffer: 'readonly',
        document: 'readonly',
        window: 'readonly',
        localStorage: 'readonly',
        structuredClone: 'readonly',
        requestAnimationFrame: 'readonly',
        PerformanceObserver: 'readonly',
        Event: 'readonly',
      },
    },
  },
  { files: ['**/*.spec.ts', 'e2e/**'], rules: { '@typescript-eslint/no-non-null-assertion': 'off' } },
);
