import { createRequire } from 'node:module'
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript'
import imports from 'eslint-plugin-import-x'
import hooks from 'eslint-plugin-react-hooks'
import globals from 'globals'
import ts from 'typescript-eslint'
import { CORE, WEB } from './eslint.rooms.js'

const parserPath = createRequire(import.meta.url).resolve('@typescript-eslint/parser')

/** One block of rules a room: imports of the rooms it may not use are errors, each with the reason. */
const doors = (workspace, rooms) =>
  Object.entries(rooms).map(([room, allowed]) => {
    const closed = Object.keys(rooms).filter((other) => other !== room && !allowed.includes(other))
    return {
      files: [`${workspace}/${room}/**/*.{ts,tsx}`],
      rules: {
        '@typescript-eslint/no-restricted-imports': [
          'error',
          {
            patterns: [
              // a room that may import all others has none that is closed to it
              closed.length > 0 && {
                group: closed.flatMap((other) => [
                  `../${other}/*`,
                  `../../${other}/*`,
                  `../../../${other}/*`,
                ]),
                allowTypeImports: true,
                message: `${room} may not import from there; see docs/architecture.md.`,
              },
              ...(workspace.startsWith('web')
                ? []
                : [
                    {
                      group: ['react', 'react-*', '@mui/*', 'node:*'],
                      message: 'The core knows neither screen nor system.',
                    },
                  ]),
            ].filter(Boolean),
          },
        ],
      },
    }
  })

const noneOf = (files, group, message) => ({
  files,
  rules: { '@typescript-eslint/no-restricted-imports': ['error', { patterns: [{ group, message }] }] },
})

export default ts.config(
  {
    ignores: [
      '**/build/',
      '**/dist/',
      '**/.react-router/',
      '.viga/',
      'test-results/',
      'playwright-report/',
      'docs/',
    ],
  },
  ...ts.configs.recommendedTypeChecked,
  {
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
      globals: globals.node,
    },
    plugins: { 'import-x': imports },
    settings: {
      ...imports.flatConfigs.typescript.settings,
      'import-x/parsers': { [parserPath]: ['.ts', '.tsx'] },
      'import-x/resolver-next': [
        createTypeScriptImportResolver({
          project: ['core', 'drawing', 'paper', 'web'],
          noWarnOnMultipleProjects: true,
        }),
      ],
    },
    rules: {
      '@typescript-eslint/no-unused-expressions': ['error', { allowShortCircuit: true, allowTernary: true }],
      '@typescript-eslint/only-throw-error': 'off', // loaders throw data responses
      '@typescript-eslint/restrict-template-expressions': 'off',
      '@typescript-eslint/unbound-method': 'off',
    },
  },
  {
    files: ['core/src/**', 'drawing/src/**', 'paper/src/**', 'web/app/**', 'cli/src/**'],
    rules: { 'import-x/no-cycle': ['error', { ignoreExternal: true }] },
  },
  {
    files: [
      ...['core/src/**', 'drawing/src/**', 'paper/src/**', 'cli/src/**'],
      ...['web/app/**', 'web/server/**', 'scripts/*.mjs', 'scripts/bench/**'],
    ],
    rules: {
      'max-lines-per-function': ['error', { max: 60, skipComments: true, skipBlankLines: true }],
    },
  },
  { files: ['**/*.{ts,tsx,mjs}'], rules: { 'max-len': ['error', { code: 110 }] } },
  ...doors('core/src', CORE),
  ...doors('web/app', WEB),
  noneOf(
    ['drawing/src/**'],
    ['react', 'react-*', '@mui/*', 'node:*', '@viga/paper/*', '@viga/web/*'],
    'A drawing is data.',
  ),
  noneOf(['paper/src/**'], ['react', 'react-*', '@mui/*', '@viga/web/*'], 'Paper knows no screen.'),
  {
    files: ['web/app/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  { files: ['**/*.mjs', '**/*.js'], ...ts.configs.disableTypeChecked },
  {
    files: ['**/test/**', 'e2e/**'],
    rules: {
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-implied-eval': 'off',
      '@typescript-eslint/no-empty-function': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
    },
  },
)
