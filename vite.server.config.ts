import { defineConfig } from 'vite'
import { FLOORS } from './floors.config'

/** The server and what its threads run, built into dist/server; packages stay outside. */
export default defineConfig({
  publicDir: false,
  resolve: { alias: FLOORS },
  build: {
    ssr: true,
    outDir: 'dist/server',
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: {
      input: { main: 'server/main.ts', worker: 'server/worker.ts' },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name].js' },
    },
  },
})
