import { registerSW } from 'virtual:pwa-register'
import { ref } from 'vue'
import { network } from '../api/client'
import { router } from '../router'

/** How often an open window asks whether there is a newer version, ms. */
const ASK_MS = 60 * 60_000

/** Whether a newer version is ready; it is taken when the user says so, or when every window has been closed. */
export const newerReady = ref(false)

let update: ((reload: boolean) => Promise<void>) | undefined
/** Takes the newer version, and starts this window anew with it. */
export function takeNewer(): void {
  navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true })
  void update?.(false)
}

/** Keeps the app openable without network. Without it the app still works; it only needs the network to open. */
export function install(): void {
  let wanted: string | undefined
  router.beforeEach(({ fullPath }) => {
    wanted = router.resolve(fullPath).href
  })
  router.afterEach((_to, _from, failure) => {
    if (!failure) wanted = undefined
  })
  // a window that was open before an update without a kept copy asks for files that are gone: it starts anew; without
  // network it stays as it is, since it couldn't be opened again
  window.addEventListener('vite:preloadError', (event) => {
    event.preventDefault()
    fetch('/', { method: 'HEAD', cache: 'no-store' }).then(
      // where somebody was on the way to; what was under way is gone either way
      () => (wanted ? location.assign(wanted) : location.reload()),
      () => (network.value = 'none'),
    )
  })
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  update = registerSW({
    onNeedRefresh: () => (newerReady.value = true),
    onRegisteredSW: (_url, registration) => {
      if (registration) setInterval(() => void registration.update().catch(() => undefined), ASK_MS)
    },
  })
}
