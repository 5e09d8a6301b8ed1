#!/usr/bin/env node
// Runs the command line from one bundled file, made anew whenever a source is newer, so there is no build
// step to remember.
import { existsSync, mkdirSync, readdirSync, renameSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'

const here = dirname(fileURLToPath(import.meta.url))
const bundle = join(here, '../dist/viga.mjs')
const sources = ['../src', '../../core/src', '../../drawing/src', '../../paper/src'].map((f) => join(here, f))

function newest(folder) {
  return readdirSync(folder, { withFileTypes: true }).reduce((latest, entry) => {
    const path = join(folder, entry.name)
    return Math.max(latest, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs)
  }, 0)
}

if (!existsSync(bundle) || statSync(bundle).mtimeMs < Math.max(...sources.map(newest))) {
  const { build } = await import('esbuild')
  mkdirSync(dirname(bundle), { recursive: true })
  const fresh = `${bundle}.${process.pid}`
  await build({
    entryPoints: [join(here, '../src/main.ts')],
    outfile: fresh,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    banner: {
      js:
        "import { createRequire as requireFrom } from 'node:module'; const require = " +
        'requireFrom(import.meta.url);',
    },
    logLevel: 'error',
  })
  renameSync(fresh, bundle) // two runs at once never see half a file
}

const { main } = await import(pathToFileURL(bundle).href)
await main(process.argv)
