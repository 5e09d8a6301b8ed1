import { defineConfig } from 'vitest/config'

/**
 * The files of a project share their modules: to load them anew for each file took half of the time. Those of
 * the server have states of their own, and some of those of the interface put others in
 * place of modules.
 */
const shared = { isolate: false, testTimeout: 120_000 }

export default defineConfig({
  test: {
    maxWorkers: '100%', // every processor; Vitest leaves one of them idle by itself
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/test/**/*.test.ts'],
          setupFiles: ['core/test/random.setup.ts'],
          ...shared,
        },
      },
      {
        test: {
          name: 'drawing',
          include: ['drawing/test/**/*.test.ts'],
          setupFiles: ['core/test/random.setup.ts'],
          ...shared,
        },
      },
      { test: { name: 'cli', include: ['cli/test/**/*.test.ts'], ...shared } },
      { test: { name: 'scripts', include: ['scripts/test/**/*.test.ts'], ...shared } },
      {
        test: {
          name: 'web',
          include: ['web/test/**/*.test.ts'],
          exclude: ['web/test/server/**'],
          setupFiles: ['core/test/random.setup.ts'],
          testTimeout: 120_000,
        },
      },
      // parts of the interface in a DOM, found by role and name as a person finds them
      {
        test: {
          name: 'components',
          include: ['web/test/**/*.test.tsx'],
          environment: 'jsdom',
          setupFiles: ['web/test/components.setup.ts'],
          testTimeout: 120_000,
        },
      },
      // one real MariaDB of its own for the tests that need one, on a free port with fresh data
      {
        test: {
          name: 'server',
          include: ['web/test/server/**/*.test.ts'],
          globalSetup: ['web/test/server/database.setup.ts'],
          fileParallelism: false,
          testTimeout: 120_000,
        },
      },
    ],
  },
})
