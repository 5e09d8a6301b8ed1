// npm test: installs what is missing, then type check, lint, unit, integration and browser tests. Nothing
// hidden.
import { join } from 'node:path'
import { CHROMIUM, ensureBuild, ensureDebian, ensurePackages, MARIADB, root, run, say } from './tools.mjs'

const bin = (name) => join(root, 'node_modules/.bin', name)

// each of these checks uses one processor, so they run beside each other
const typeCheck = () => run('npm', ['run', 'typecheck', '--silent'])
const formatAndLint = async () => {
  await run(bin('prettier'), ['--check', '--log-level=warn', '.'])
  await run(bin('eslint'), ['.'])
}

/** @type {[string, () => Promise<unknown>][]} */
const steps = [
  ['type check, format and lint', () => Promise.all([typeCheck(), formatAndLint()])],
  ['unit and integration tests', () => run(bin('vitest'), ['run'])],
  [
    'browser tests',
    async () => {
      await ensureBuild()
      await run(bin('playwright'), ['test'])
    },
  ],
]

try {
  await ensurePackages()
  await ensureDebian({ ...MARIADB, ...CHROMIUM })
  for (const [name, step] of steps) {
    say(name)
    await step()
  }
  say('all tests passed')
} catch (error) {
  console.error(`viga: ${error.message}`)
  process.exit(1)
}
