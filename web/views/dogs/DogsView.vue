<script setup lang="ts">
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import UiDrawer from '../../ui/UiDrawer.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import { refDebounced, useMediaQuery } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import CoatSwatch from '../../parts/CoatSwatch.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import StateMark from '../../parts/StateMark.vue'
import { pairOf } from '../../drawing/colours'
import { useAsk } from '../../api/queries'
import { dogFlags, dogLine } from '@words'
import { useSay } from '../../say'

const say = useSay()
import QuickAdd from '../../parts/QuickAdd.vue'

const route = useRoute()
const router = useRouter()
const text = ref(typeof route.query.text === 'string' ? route.query.text : '')
const settled = refDebounced(text, 150)

watch(settled, (wanted) => void router.replace({ query: wanted ? { text: wanted } : {} }))
const { answer: dogs, problem, again } = useAsk('GET /dogs', () => ({ query: { text: settled.value } }))

/** On a narrow screen the form comes from below, by a button that is always at hand. */
const narrow = useMediaQuery('(max-width: 960px)')
const adding = ref(false)
function added() {
  adding.value = false
  again()
}

const count = computed(() => (dogs.value ? say.count(dogs.value.length, 'dog') : ''))
</script>

<template>
  <div class="page">
    <section aria-labelledby="dogs-title">
      <div class="head">
        <h1 id="dogs-title">Dogs</h1>
        <p class="soft" aria-live="polite">{{ count }}</p>
        <div class="search">
          <UiText
            v-model="text"
            label="Search by name or breed"
            bare
            inputmode="search"
            placeholder="Name or breed"
            clearable
          />
        </div>
      </div>
      <ProblemNote v-if="problem" :problem="problem">
        <UiButton kind="link" @click="again">Try again</UiButton>
      </ProblemNote>
      <UiWaiting v-else-if="!dogs" label="Fetching the dogs" :rows="6" />
      <p v-else-if="dogs.length === 0 && text" class="empty">
        No dog’s name or breed holds “{{ text.slice(0, 40) }}”.
        <UiButton kind="link" @click="text = ''">Show all</UiButton>
      </p>
      <p v-else-if="dogs.length === 0" class="empty">No dogs yet. Add one, and the wash is worked out for you.</p>
      <ul v-else class="list">
        <li v-for="dog in dogs" :key="dog.id">
          <RouterLink class="row" :to="`/dogs/${dog.id}`">
            <CoatSwatch :dog="dog.record" :dog-id="dog.id" :width="52" :height="58" />
            <span class="who">
              <span class="name" :style="{ color: pairOf(dog.record).stroke }">{{ dog.record.name }}</span>
              <span class="line">{{ dogLine(dog.record, say) }}</span>
            </span>
            <span class="flags">
              <span v-for="flag in dogFlags(dog.record, say)" :key="flag.text" class="flag" :class="flag.state">
                <StateMark :state="flag.state" :size="20" />
                {{ flag.text }}
              </span>
            </span>
          </RouterLink>
          <RouterLink class="link plan" :to="`/dogs/${dog.id}/recipe`" :aria-label="`Recipe for ${dog.record.name}`">
            Recipe
          </RouterLink>
        </li>
      </ul>
    </section>
    <aside v-if="!narrow">
      <QuickAdd @added="again" />
    </aside>
    <template v-else>
      <UiButton kind="primary" class="add" @click="adding = true">Add a dog</UiButton>
      <UiDrawer v-model="adding" title="Add a dog">
        <QuickAdd @added="added">
          <UiButton kind="link" @click="adding = false">Not now</UiButton>
        </QuickAdd>
      </UiDrawer>
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 32px;
  align-items: start;
}
.add {
  position: fixed;
  right: 16px;
  bottom: 16px;
  z-index: 5;
}
aside {
  position: sticky;
  top: 12px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 8px 16px;
  margin-bottom: 8px;
}
.search {
  margin-left: auto;
  width: 260px;
}
.list > li {
  display: flex;
  align-items: center;
  gap: 16px;
  border-top: 1px solid var(--rule);
}
.row {
  flex: 1;
  min-width: 0;
  display: grid;
  grid-template-columns: 52px minmax(0, 1fr) auto;
  gap: 14px;
  align-items: center;
  padding: 9px 0;
  color: inherit;
  text-decoration: none;
}
.row:hover .name {
  text-decoration: underline;
  text-underline-offset: 4px;
  text-decoration-thickness: 2px;
}
.name {
  display: block;
  font: 600 23px/1.15 var(--display);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.line {
  display: block;
  color: var(--ink2);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.flags {
  display: grid;
  gap: 2px;
}
.flag {
  display: flex;
  align-items: center;
  gap: 7px;
  color: var(--watch);
  font-weight: 600;
  font-size: 14.5px;
}
.flag.stop {
  color: var(--stop);
  font-weight: 700;
}
.plan {
  padding: 0 8px;
}
.empty {
  padding: 28px 0;
  border-top: 1px solid var(--rule);
  font-size: 16px;
}
@media (max-width: 960px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    position: static;
  }
}
@media (max-width: 640px) {
  .search {
    width: 100%;
  }
  .row {
    grid-template-columns: 52px minmax(0, 1fr);
  }
  .flags {
    grid-column: 2;
  }
  .list > li {
    gap: 8px;
  }
}
</style>
