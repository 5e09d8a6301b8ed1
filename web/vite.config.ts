import { reactRouter } from '@react-router/dev/vite'
import { defineConfig, type Plugin } from 'vite'

/** The entries of the server build each keep their name; the framework knows of one alone. */
const namedEntries: Plugin = {
  name: 'named-entries',
  enforce: 'post',
  config: (_, { isSsrBuild }) =>
    isSsrBuild ? { build: { rollupOptions: { output: { entryFileNames: '[name].js' } } } } : {},
}

/**
 * Parts of the libraries that MUI's components bring along and this interface never shows: ripples, which the
 * theme turns off, and the copying of statics for `withTheme`. Together they are 4 kB of script.
 */
const UNUSED: [RegExp, string][] = [
  [/@mui\/material\/ButtonBase\/TouchRipple\.mjs$/, 'export default () => null'],
  [/hoist-non-react-statics\/dist\/[\w.-]+\.js$/, 'export default (component) => component'],
]

const withoutUnused: Plugin = {
  name: 'without-unused',
  apply: 'build',
  enforce: 'pre',
  load: (id) => UNUSED.find(([path]) => path.test(id))?.[1],
}

const SHARED = /^(?!.*(Checkbox|Radio|Tick|SwitchBase|core.src.methods|app.working))/

export default defineConfig(({ command, isSsrBuild }) => ({
  plugins: [reactRouter(), namedEntries, withoutUnused],
  // the workspaces are TypeScript source, so the server build compiles them too; MUI's ES modules need
  // bundling for Node
  ssr: { noExternal: [/^@viga\//, /^@mui\//, ...(command === 'build' ? [/^@emotion\//] : [])] },
  // read from the system each time, it would cost a page of many fields a third of its time on the server
  ...(command === 'build' && { define: { 'process.env.NODE_ENV': JSON.stringify('production') } }),
  build: {
    chunkSizeWarningLimit: 700,
    // one sheet of style for all: a part of the page that is opened never waits for its own
    cssCodeSplit: false,
    // few large scripts weigh less than many small ones: what six or more share is one, but for what
    // the Given (ticks) or the Working alone needs at first
    ...(!isSsrBuild && {
      rollupOptions: {
        output: {
          advancedChunks: {
            groups: [{ name: 'shared', test: SHARED, minShareCount: 6 }],
          },
        },
      },
    }),
    // the server, what a thread of its pool runs, and what makes the reports of the examples
    ...(isSsrBuild && {
      rollupOptions: {
        input: {
          index: './server/main.ts',
          worker: './app/server/compute/worker.ts',
          'make-examples': './server/make-examples.ts',
        },
      },
    }),
  },
  worker: { format: 'es' },
}))
