<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { sameData } from '@core/same'
import { comparePlans, Today, wayOf, type Plan } from '@core/visit'
import { changeWords, COMPARED_NAMES, lastInBrief } from '@words'
import { useAsk } from '../../api/queries'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import { FIXED } from './fixed'
import RecipeLine from './RecipeLine.vue'

const { dogId, today, plan, open = false } = defineProps<{ dogId: string; today: Today; plan: Plan; open?: boolean }>()
const emit = defineEmits<{ put: [part: Partial<Today>] }>()

const say = useSay()
const fixed = inject(FIXED, ref(false))
const { answer: visits } = useAsk('GET /visits', () => ({ query: { dogId, limit: 20 } }))
const lastId = computed(() => visits.value?.find((v) => v.date < today.date)?.id)
const { answer: last } = useAsk('GET /visits/{id}', () => (lastId.value ? { params: { id: lastId.value } } : undefined))
const then = computed(() => (last.value ? Today.parse(last.value.inputs.today) : undefined))
const changes = computed(() =>
  last.value
    ? comparePlans(last.value.plan, plan).map((c) => ({ what: COMPARED_NAMES[c.what], ...changeWords(c, say) }))
    : [],
)
const line = computed(() => last.value && lastInBrief(last.value.date, changes.value.length, say))
const sameWay = computed(() => then.value !== undefined && sameData(wayOf(then.value), wayOf(today)))
</script>

<template>
  <RecipeLine v-if="last && then" about="Last time" :more="line" :open="open">
    <div class="last">
      <p v-if="changes.length === 0">Just as it was then.</p>
      <ul v-else>
        <li v-for="c in changes" :key="c.what">
          {{ c.what }}: <span class="soft">{{ c.from }}</span> → <b>{{ c.to }}</b>
        </li>
      </ul>
      <UiButton v-if="!fixed && !sameWay" @click="emit('put', wayOf(then))">Do it my way of last time</UiButton>
    </div>
  </RecipeLine>
</template>

<style scoped>
.last {
  display: grid;
  gap: 8px;
  justify-items: start;
}
ul {
  columns: 260px;
  column-gap: 28px;
}
li {
  padding: 2px 0;
  break-inside: avoid;
}
</style>
