import { join } from 'node:path'
import vue from '@vitejs/plugin-vue'
import { defineConfig, type Plugin } from 'vite'
import { compression } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { FLOORS } from './floors.config'

const GROUND = '#DFE5E6'

const BIG_PARTS = /ant-design-vue.es.(vc-)?(table|pagination|picker|date-picker|time-picker|upload|slider|tree)/

interface Graph {
  getModuleInfo(id: string): { importedIds: string[]; importers: string[]; dynamicImporters: string[] } | null
}
let started: Set<string> | undefined
/** What the app needs before any view: all that its first module imports, and so on. */
function fromTheStart(graph: Graph): Set<string> {
  if (started) return started
  started = new Set()
  const left = [join(import.meta.dirname, 'web/main.ts')]
  for (let id = left.pop(); id !== undefined; id = left.pop()) {
    // the library’s own list of all that it has
    if (started.has(id) || id.endsWith('/ant-design-vue/es/index.js')) continue
    started.add(id)
    left.push(...(graph.getModuleInfo(id)?.importedIds ?? []))
  }
  return started
}

const openedBy = new Map<string, Set<string>>()
/** What is opened by itself and needs a module: views and parts that are loaded once they are asked for. */
function openersOf(id: string, graph: Graph): Set<string> {
  const known = openedBy.get(id)
  if (known) return known
  const openers = new Set<string>()
  openedBy.set(id, openers)
  const seen = new Set([id])
  const left = [id]
  for (let at = left.pop(); at !== undefined; at = left.pop()) {
    const { importers = [], dynamicImporters = [] } = graph.getModuleInfo(at) ?? {}
    if (dynamicImporters.length > 0) openers.add(at)
    for (const up of importers)
      if (!seen.has(up)) {
        seen.add(up)
        left.push(up)
      }
  }
  return openers
}
/** From how many openers on a module is in the file that nearly all of them have. */
const COMMON = 8

/** The two fonts of every view, asked for before the styles say so. */
const fontsAhead: Plugin = {
  name: 'fonts-ahead',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle = {} }) =>
      Object.keys(bundle)
        .filter((file) => /-latin-wght-normal-.*\.woff2$/.test(file))
        .map((file) => ({
          tag: 'link',
          attrs: { rel: 'preload', as: 'font', type: 'font/woff2', href: `/${file}`, crossorigin: '' },
          injectTo: 'head',
        })),
  },
}

/** Files that wait for each other may run in the wrong order: then a view doesn’t open at all, and nothing is built. */
const noCircle: Plugin = {
  name: 'no-circle',
  generateBundle(_options, bundle) {
    const importsOf = (name: string) => (bundle[name]?.type === 'chunk' ? bundle[name].imports : [])
    const done = new Set<string>()
    const visit = (name: string, path: readonly string[]): void => {
      if (path.includes(name)) this.error(`Files wait for each other: ${[...path, name].join(' → ')}`)
      if (done.has(name)) return
      for (const next of importsOf(name)) visit(next, [...path, name])
      done.add(name)
    }
    for (const name of Object.keys(bundle)) visit(name, [])
  },
}

/** The interface, built to dist/web; in development its server passes /api on. */
export default defineConfig({
  root: 'web',
  resolve: { alias: FLOORS },
  plugins: [
    vue(),
    fontsAhead,
    noCircle,
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'offline',
      filename: 'sw.ts',
      registerType: 'prompt',
      injectRegister: false,
      injectManifest: { globPatterns: ['**/*.{js,css,html,woff2,svg}'], maximumFileSizeToCacheInBytes: 3_000_000 },
      manifest: {
        id: '/',
        name: 'Juvant',
        short_name: 'Juvant',
        description: 'Plans wash days for a home dog groomer, guides them at the tub and keeps the record.',
        start_url: '/',
        display: 'standalone',
        background_color: GROUND,
        theme_color: GROUND,
        icons: [
          { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
        shortcuts: [
          { name: 'At the tub', url: '/tub' },
          { name: 'Dogs', url: '/dogs' },
        ],
      },
    }),
    compression({ algorithms: ['gzip', 'brotliCompress'], include: /\.(js|css|svg)$/, threshold: 1000 }),
  ],
  build: {
    outDir: '../dist/web',
    emptyOutDir: true,
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    // twenty files open sooner than a hundred
    rolldownOptions: {
      checks: { bundlerTimings: false },
      output: {
        codeSplitting: {
          groups: [
            { debugName: 'frame', name: (id, graph) => (fromTheStart(graph).has(id) ? 'frame' : null), priority: 1 },
            // what many parts need is one file; what few share goes by who shares it. A module is needed wherever one that
            // imports it is: so no two files wait for each other
            {
              debugName: 'common',
              name: (id, graph) => (!BIG_PARTS.test(id) && openersOf(id, graph).size >= COMMON ? 'common' : null),
              priority: 0.5,
            },
            { name: 'shared', test: (id) => !BIG_PARTS.test(id), minShareCount: 2, entriesAware: true },
          ],
        },
      },
    },
  },
  // the interface's own folder of that name isn't the server's
  server: {
    host: '127.0.0.1',
    proxy: {
      // asked by the name that the page has: the server takes no other page's requests
      '^/api/(?!\\w+\\.ts)': { target: `http://127.0.0.1:${process.env.PORT ?? 4870}`, changeOrigin: false },
    },
  },
})
