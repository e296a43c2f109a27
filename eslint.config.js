import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Text that goes on with a unit behind a value. */
const HAND_WRITTEN_UNIT =
  '/^ (mm|m|km|cm2|g|kg|V|A|mA|mAh|W|J|m?ohm|[pu]F|dBm?|[kM]?Hz|uT|n?s|ms|min|minutes|m\\/s|Pa|deg|degrees|%)(?![-\\w/"])/';

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'test-results/**', '.stryker/**'] },
  ...tseslint.configs.strictTypeChecked.map((config) => ({ ...config, files: ['**/*.ts', '**/*.tsx'] })),
  {
    files: ['**/*.ts', '**/*.tsx'],
    languageOptions: { parserOptions: { project: ['./tsconfig.lint.json'], tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-assertions': ['error', { assertionStyle: 'as', objectLiteralTypeAssertions: 'never' }],
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-confusing-void-expression': 'off',
      '@typescript-eslint/no-extraneous-class': 'off',
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
      '@typescript-eslint/unbound-method': 'off',
      '@typescript-eslint/no-deprecated': 'off',
      'no-restricted-syntax': [
        'error',
        { selector: "MemberExpression[property.name='toFixed']", message: 'Numbers get their digits and units in core/src/text.' },
        {
          selector: `:matches(TemplateElement[value.raw=${HAND_WRITTEN_UNIT}], JSXText[value=${HAND_WRITTEN_UNIT}])`,
          message: 'A number gets its unit from quantity, stated, range, size or percent in core/src/text.',
        },
        { selector: 'CallExpression[callee.property.name=/^toLocale/]', message: 'Days and times are written in core/src/text/dates.ts.' },
        {
          selector: "CallExpression[callee.property.name='join'][arguments.0.value=' and ']",
          message: 'Lists are written by listed in core/src/text.',
        },
      ],
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
    },
  },
  { files: ['packages/core/src/text/**', '**/*.test.ts', 'bench/**', 'e2e/**'], rules: { 'no-restricted-syntax': 'off' } },
  {
    files: ['apps/web/**/*.tsx', 'apps/web/**/*.ts'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
);
