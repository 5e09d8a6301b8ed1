import { reactRouter } from '@react-router/dev/vite'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [reactRouter()],
  // the core is TypeScript source in this workspace, so the server build compiles it too; MUI's ES modules need bundling for Node
  ssr: { noExternal: ['@viga/core', /^@mui\//] },
  build: { chunkSizeWarningLimit: 700 },
  worker: { format: 'es' },
})
