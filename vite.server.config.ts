import { defineConfig } from 'vite'
import { FLOORS } from './floors.config'

/** The server, built to one file in dist/server; packages stay outside. */
export default defineConfig({
  publicDir: false,
  resolve: { alias: FLOORS },
  build: {
    ssr: 'server/main.ts',
    outDir: 'dist/server',
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: { output: { entryFileNames: 'main.js' } },
  },
})
