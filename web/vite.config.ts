import { reactRouter } from '@react-router/dev/vite'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [reactRouter()],
  // the workspaces are TypeScript source, so the server build compiles them too; MUI's ES modules need
  // bundling for Node
  ssr: { noExternal: [/^@viga\//, /^@mui\//] },
  // one sheet of style for all: a part of the page that is opened never waits for its own
  build: { chunkSizeWarningLimit: 700, cssCodeSplit: false },
  worker: { format: 'es' },
})
