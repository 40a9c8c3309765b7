import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource-variable/besley/wght.css'
import './styles.css'
import './ui/library.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { followServer } from './api/live'
import { keepInStep } from './api/queries'
import App from './App.vue'
import { router } from './router'
import { wearTheme } from './ui/theme'

wearTheme()
keepInStep()
followServer()
createApp(App).use(createPinia()).use(router).mount('#app')

// Without it the app still works; it only needs the network to open.
if (import.meta.env.PROD && 'serviceWorker' in navigator)
  navigator.serviceWorker.register('/sw.js').catch(() => undefined)
