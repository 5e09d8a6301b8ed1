import hooks from 'eslint-plugin-react-hooks'
import globals from 'globals'
import ts from 'typescript-eslint'

export default ts.config(
  { ignores: ['**/build/', '**/dist/', '**/.react-router/', '.viga/', 'test-results/', 'playwright-report/', 'docs/'] },
  ...ts.configs.recommendedTypeChecked,
  {
    languageOptions: { parserOptions: { projectService: { allowDefaultProject: ['*.js', '*.ts', 'scripts/*.mjs', 'cli/bin/*.mjs', 'core/test/*.ts', 'core/test/*/*.ts', 'cli/test/*.ts', 'e2e/*.ts', 'scripts/*.d.mts'], maximumDefaultProjectFileMatchCount_THIS_WILL_SLOW_DOWN_LINTING: 80 }, tsconfigRootDir: import.meta.dirname }, globals: globals.node },
    rules: {
      '@typescript-eslint/no-unused-expressions': ['error', { allowShortCircuit: true, allowTernary: true }],
      '@typescript-eslint/only-throw-error': 'off', // loaders throw data responses
      '@typescript-eslint/restrict-template-expressions': 'off',
      '@typescript-eslint/unbound-method': 'off',
    },
  },
  { files: ['web/app/**/*.{ts,tsx}'], plugins: { 'react-hooks': hooks }, rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' } },
  { files: ['**/*.mjs', '**/*.js'], ...ts.configs.disableTypeChecked },
  { files: ['**/test/**', 'e2e/**'], rules: { '@typescript-eslint/no-unsafe-member-access': 'off', '@typescript-eslint/no-unsafe-assignment': 'off', '@typescript-eslint/no-implied-eval': 'off', '@typescript-eslint/no-empty-function': 'off' } },
)
