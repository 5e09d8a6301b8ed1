// npm run bench: times the solver over sizes, one edit of a demo problem to repainted diagrams, the weight of
// the problem page, and the Figure of a large structure.
import { join } from 'node:path'
import { ensureBuild, ensurePackages, ensureDebian, CHROMIUM, MARIADB, root, run } from './tools.mjs'

await ensurePackages()
await ensureDebian({ ...MARIADB, ...CHROMIUM })
await ensureBuild()
const { build } = await import('esbuild')
for (const name of ['solver', 'second-order', 'page', 'large']) {
  // beside the scripts it uses, so that its imports resolve
  const outfile = join(root, `scripts/dist/bench-${name}.mjs`)
  await build({
    entryPoints: [join(root, `scripts/bench/${name}.ts`)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    external: ['@playwright/test', 'playwright-core', 'mysql2', '*/serve.mjs'],
    logLevel: 'error',
  })
  await run(process.execPath, ['--expose-gc', outfile])
}
