<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { cautionsAt, howToNow, type HowTo } from '@core/tubside'
import UiButton from '../../ui/UiButton.vue'
import type { Tub } from './useTub'
import { HOW_TO, noticeNext, noticeTitle } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { tub, few } = defineProps<{
  tub: Tub
  /** How many lines are shown; the others stand under "more". */
  few: number
}>()

const lines = computed<HowTo[]>(() => {
  const visit = tub.visit.value
  const step = tub.step.value
  if (!visit || !step) return []
  return howToNow(tub.record.value, step, { plan: visit.plan, dog: visit.inputs.dog, today: visit.inputs.today })
})
/** The reasons, asked for; the next step begins without them. */
const open = ref(false)
watch(
  () => tub.step.value?.id,
  () => (open.value = false),
)
const cautions = computed(() =>
  tub.step.value && tub.visit.value ? cautionsAt(tub.step.value, tub.visit.value.plan) : [],
)
</script>

<template>
  <div v-if="lines.length > 0 || cautions.length > 0" class="how-to-lines">
    <ul v-if="lines.length > 0" data-testid="how-to">
      <li v-for="line in lines.slice(0, few)" :key="line">{{ HOW_TO[line].line }}</li>
    </ul>
    <UiButton class="why" kind="link" :aria-expanded="open" @click="open = !open">
      {{ lines.length > few ? `Why, and ${lines.length - few} more` : 'Why' }}
    </UiButton>
    <dl v-if="open">
      <template v-for="line in lines" :key="line">
        <dt>{{ HOW_TO[line].line }}</dt>
        <dd>{{ HOW_TO[line].why }}</dd>
      </template>
      <template v-for="c in cautions" :key="c.id">
        <dt>{{ noticeTitle(c, say) }}</dt>
        <dd>{{ noticeNext(c, say) }}</dd>
      </template>
    </dl>
  </div>
</template>

<style scoped>
.how-to-lines {
  margin-top: 12px;
}
ul {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: 28px;
  font-weight: 600;
  line-height: 1.2;
}
li {
  padding-left: 18px;
  border-left: 6px solid var(--rim);
}
.why {
  min-height: 48px;
  font-size: 20px;
}
dt {
  font-size: 22px;
  font-weight: 600;
}
dd {
  margin: 0 0 10px;
  font-size: 20px;
}
@media (max-width: 640px) {
  ul {
    font-size: 20px;
  }
  dt,
  dd {
    font-size: 18px;
  }
}
</style>
