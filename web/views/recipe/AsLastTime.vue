<script setup lang="ts">
import { computed } from 'vue'
import { sameData } from '@core/same'
import { asLastTime, Today } from '@core/visit'
import { foundInBrief } from '@words'
import { useAsk } from '../../api/queries'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'

const { dogId, today } = defineProps<{ dogId: string; today: Today }>()
const emit = defineEmits<{ put: [part: Partial<Today>] }>()
const say = useSay()
const { answer: visits } = useAsk('GET /visits', () => ({ query: { dogId, limit: 20 } }))
const lastId = computed(() => visits.value?.find((v) => v.date < today.date)?.id)
const { answer: last } = useAsk('GET /visits/{id}', () => (lastId.value ? { params: { id: lastId.value } } : undefined))
const then = computed(() => (last.value ? Today.parse(last.value.inputs.today) : undefined))
const taken = computed(() => then.value !== undefined && sameData(asLastTime(then.value), asLastTime(today)))
</script>

<template>
  <div v-if="then && last" class="as-last">
    <b v-if="taken">As last time</b>
    <UiButton v-else @click="emit('put', asLastTime(then))">As last time</UiButton>
    <span class="soft">{{ say.date(last.date, 'short') }}: {{ foundInBrief(then, say) }}</span>
  </div>
</template>

<style scoped>
.as-last {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
}
</style>
