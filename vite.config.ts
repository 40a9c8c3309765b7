import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { compression } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { FLOORS } from './floors.config'

const GROUND = '#DFE5E6'

/** The interface, built to dist/web; in development its server passes /api on. */
export default defineConfig({
  root: 'web',
  resolve: { alias: FLOORS },
  plugins: [
    vue(),
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
  build: { outDir: '../dist/web', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 900 },
  // the interface's own folder of that name isn't the server's
  server: {
    host: '127.0.0.1',
    proxy: {
      // asked by the name that the page has: the server takes no other page's requests
      '^/api/(?!\\w+\\.ts)': { target: `http://127.0.0.1:${process.env.PORT ?? 4870}`, changeOrigin: false },
    },
  },
})
