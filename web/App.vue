<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ConfigProvider } from 'ant-design-vue'
import { computed, defineAsyncComponent, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { HelpOf } from '@words'
import { askMe, me } from './api/access'
import { letIn } from './api/client'
import { clockWrong } from './device/clock'
import { deviceTrouble } from './device/device'
import { forgotten } from './device/lent'
import { useLock } from './device/lock'
import { newerReady, takeNewer } from './offline/installed'
import WhatWaits from './parts/WhatWaits.vue'
import { isTyping } from './parts/words'
import { useRoom } from './stores/room'
import UiButton from './ui/UiButton.vue'
import { useTheme } from './ui/theme'

const route = useRoute()
const router = useRouter()
const { library } = useTheme()
const room = useRoom()
const { locked } = useLock()
/** A device that was put out has nothing to hide any more, and asks to be let in. */
const asks = computed(() => locked.value && letIn.value)
const main = useTemplateRef('main')
/** Whether the first view stands: what isn't needed for it comes after. */
const begun = ref(false)
const current = computed(() => route.meta.nav)
/** Its sheet loads when it is first asked for. */
const PairThis = defineAsyncComponent(() => import('./parts/PairThis.vue'))
const LockedScreen = defineAsyncComponent(() => import('./parts/LockedScreen.vue'))
const HelpSheet = defineAsyncComponent(() => import('./parts/HelpSheet.vue'))
/** So does the place where toasts stand, once the first view does. */
const ToastPlace = defineAsyncComponent(() => import('./ui/ToastPlace'))
const helping = ref(false)
const helpOf = computed(() =>
  route.meta.whole ? undefined : ((route.meta.help ?? current.value) as HelpOf | undefined),
)
useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.key !== '?' || isTyping(event.target)) return
  if (helpOf.value) helping.value = !helping.value
})
/** A device that is for the tub, or looks on, sees no more. */
const places = computed(() => PLACES.filter((p) => (me.value?.role ?? 'whole') === 'whole' || p.key === 'tub'))
const PLACES = [
  { to: '/', key: 'day', text: 'Day' },
  { to: '/tub', key: 'tub', text: 'Tub' },
  { to: '/dogs', key: 'dogs', text: 'Dogs' },
  { to: '/shelf', key: 'shelf', text: 'Shelf' },
  { to: '/logbook', key: 'logbook', text: 'Logbook' },
  { to: '/house', key: 'house', text: 'House' },
]

room.load().catch(() => undefined)
void askMe()
watch([me, () => route.matched.length > 0 && route.path], ([who, path]) => {
  if (who && who.role !== 'whole' && path !== false && !path.startsWith('/tub')) void router.replace('/tub')
})

watch(
  () => route.path,
  async (_path, before) => {
    if (before === undefined) return
    await nextTick()
    main.value?.focus({ preventScroll: true })
  },
)
</script>

<template>
  <ConfigProvider :theme="library">
    <ToastPlace v-if="begun" />
    <LockedScreen v-if="asks" />
    <!-- What was typed stays where it is, out of sight and out of reach. -->
    <div :hidden="asks" :inert="asks">
      <a class="skip" href="#main">To the content</a>
      <header v-if="!route.meta.whole" class="top">
        <RouterLink class="mark" to="/" aria-label="Juvant, to the next wash day">
          <svg width="36" height="36" viewBox="0 0 32 32" aria-hidden="true">
            <path
              d="M4 16.5Q4.5 28 13 28H19Q27.5 28 28 16.5"
              fill="var(--enamel)"
              stroke="var(--rim)"
              stroke-width="2.4"
            />
            <path
              d="M9.6 16V10Q9.6 3.4 16 3.4Q22.4 3.4 22.4 10V16"
              fill="var(--enamel)"
              stroke="var(--water)"
              stroke-width="2.2"
            />
            <path
              d="M10 6.2Q5.4 5.6 5.2 13Q8 14.6 9.8 10.6M22 6.2Q26.6 5.6 26.8 13Q24 14.6 22.2 10.6"
              fill="var(--water)"
              stroke="var(--water)"
              stroke-width="1.6"
              stroke-linejoin="round"
            />
            <path d="M13.4 9.6V10.4M18.6 9.6V10.4" stroke="var(--water)" stroke-width="2.2" stroke-linecap="round" />
            <path d="M1.5 16.5H30.5" stroke="var(--rim)" stroke-width="3.2" />
          </svg>
          <span>Juvant</span>
        </RouterLink>
        <nav v-if="letIn" aria-label="Main">
          <RouterLink
            v-for="{ to, key, text } in places"
            :key="key"
            :to="to"
            :class="{ on: current === key }"
            :aria-current="current === key ? 'page' : undefined"
            >{{ text }}</RouterLink
          >
        </nav>
        <p class="place soft">
          {{ room.house?.name }}
          <RouterLink v-if="room.house?.demonstration" class="link" to="/house">Demonstration</RouterLink>
        </p>
        <UiButton v-if="helpOf" kind="plain" class="ask" aria-label="Help on this view" @click="helping = true"
          >?</UiButton
        >
      </header>
      <WhatWaits v-if="!route.meta.whole" />
      <p v-if="deviceTrouble" class="newer" role="alert">
        This browser can’t write anything down ({{ deviceTrouble }}). What is done here stays in this window until the
        server has it: don’t close it while there is no network, and make room on the disk.
      </p>
      <p v-if="clockWrong !== 0" class="newer wrong" role="alert">
        The clock of this device and that of the program are {{ Math.round(Math.abs(clockWrong) / 3_600_000) }} h apart.
        Set right whichever is wrong: until then what is called today isn’t.
      </p>
      <p v-if="forgotten" class="newer" role="alert">
        This device hadn’t heard from its room for seven days. What it had saved is gone. It comes back once the room
        can be reached.
      </p>
      <p v-if="newerReady && !route.meta.whole" class="newer" role="status">
        A newer Juvant is ready. What you typed stays.
        <UiButton kind="link" @click="takeNewer">Take it now</UiButton>
      </p>
      <HelpSheet v-if="helpOf" v-model="helping" :of="helpOf" />
      <main id="main" ref="main" tabindex="-1" :class="{ whole: route.meta.whole }">
        <!-- Another dog at the tub is another screen: nothing of the one before may run on in it. -->
        <PairThis v-if="!letIn" />
        <RouterView v-else v-slot="{ Component }">
          <component
            :is="Component"
            :key="route.meta.whole ? route.path : undefined"
            @vue:mounted="begun ||= route.name !== 'next-day'"
          />
        </RouterView>
      </main>
    </div>
  </ConfigProvider>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: 12px 32px;
  min-height: 60px;
  padding: 0 24px;
}
.mark {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
  color: var(--rim);
  font: 700 21px/1 var(--display);
  letter-spacing: 0.02em;
  text-decoration: none;
}
nav {
  display: flex;
  gap: 22px;
  align-self: stretch;
}
nav a {
  position: relative;
  display: flex;
  align-items: center;
  min-height: 60px;
  padding: 0 4px;
  color: var(--ink2);
  font-size: 16px;
  font-weight: 500;
  text-decoration: none;
}
nav a.on {
  color: var(--ink);
  font-weight: 700;
}
nav a.on::after {
  content: '';
  position: absolute;
  left: -2px;
  right: -2px;
  bottom: 6px;
  height: 9px;
  border: 3px solid var(--rim);
  border-top: 0;
  border-radius: 0 0 9px 9px;
}
.place {
  margin-left: auto;
  text-align: right;
}
.newer {
  padding: 0 24px;
}
.wrong {
  color: var(--stop);
  font-weight: 600;
}
.skip {
  position: absolute;
  left: -9999px;
}
.skip:focus {
  left: 12px;
  top: 8px;
  z-index: 10;
  padding: 10px 16px;
  background: var(--enamel);
  color: var(--rim);
}
main {
  max-width: 1440px;
  margin: 0 auto;
  padding: 4px 24px 48px;
  outline: none;
}
main.whole {
  padding-top: 12px;
  padding-bottom: 0;
}
@media (max-width: 640px) {
  nav {
    gap: 12px;
  }
  nav a {
    font-size: 15px;
  }
  .mark {
    gap: 6px;
    font-size: 18px;
  }
  .top {
    padding: 0 16px;
    gap: 8px 14px;
  }
  .place {
    display: none;
  }
  main {
    padding: 4px 16px 40px;
  }
}
@media (max-width: 420px) {
  .mark {
    display: none;
  }
  .top {
    padding: 0 10px;
  }
  nav {
    flex: 1;
    justify-content: space-between;
    gap: 4px;
  }
  nav a {
    padding: 0 2px;
    font-size: 14.5px;
  }
  .ask {
    padding: 6px 11px;
  }
}
</style>
