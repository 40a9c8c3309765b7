import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import vue from '@vitejs/plugin-vue'
import { defineConfig, type Plugin } from 'vite'

/** Writes the service worker with the list of files that it keeps, and a version made from their names. */
function serviceWorker(): Plugin {
  return {
    name: 'service-worker',
    apply: 'build',
    generateBundle(_options, bundle) {
      const files = Object.keys(bundle)
        .filter((name) => /\.(js|css|woff2)$/.test(name))
        .map((name) => `/${name}`)
      const version = createHash('sha256').update(files.sort().join(' ')).digest('hex').slice(0, 12)
      const source = readFileSync(new URL('web/offline/sw.js', import.meta.url), 'utf8')
        .replace('__VERSION__', version)
        .replace('__FILES__', files.join(' '))
      this.emitFile({ type: 'asset', fileName: 'sw.js', source })
    },
  }
}

/** The interface, built to dist/web; in development its server passes /api on. */
export default defineConfig({
  root: 'web',
  plugins: [vue(), serviceWorker()],
  build: { outDir: '../dist/web', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', proxy: { '/api': `http://127.0.0.1:${process.env.PORT ?? 4870}` } },
})
