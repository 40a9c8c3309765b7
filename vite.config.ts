import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

/** The interface, built to dist/web; in development its server passes /api on. */
export default defineConfig({
  root: 'web',
  plugins: [vue()],
  build: { outDir: '../dist/web', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', proxy: { '/api': `http://127.0.0.1:${process.env.PORT ?? 4870}` } },
})
