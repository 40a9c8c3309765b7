import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource-variable/besley/wght.css'
import './styles.css'
import './ui/library.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { followServer } from './api/live'
import { keepInStep } from './api/queries'
import './api/photos'
import { forgetSent } from './api/taps'
import App from './App.vue'
import { openDevice } from './device/device'
import { forgetIfLost } from './device/lent'
import { followOutbox } from './device/outbox'
import { install } from './offline/installed'
import { router } from './router'
import { wearTheme } from './ui/theme'

wearTheme()
await openDevice()
await forgetIfLost()
keepInStep()
followServer()
followOutbox()
forgetSent()
setInterval(forgetSent, 3_600_000)
createApp(App).use(createPinia()).use(router).mount('#app')

install()
