<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { ZONES, type Zone } from '@core/dog'
import { cutsOf, type Memory, type Today } from '@core/visit'
import { CUT_WITH, cutWords, ZONE_NAMES } from '@words'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiField from '../../ui/UiField.vue'
import UiPick from '../../ui/UiPick.vue'
import UiSelect from '../../ui/UiSelect.vue'

const { cut, last } = defineProps<{
  cut: Today['cut']
  /** With what it was cut last, and when. */
  last: Memory['cut']
}>()
const emit = defineEmits<{ put: [cut: Today['cut']] }>()

const say = useSay()
const id = useId()
const open = ref(false)
const zone = ref<Zone | 'all'>('all')
const by = ref('')
const zones = computed(() => [
  { value: 'all' as const, text: 'everywhere else' },
  ...ZONES.map((value) => ({ value, text: ZONE_NAMES[value] })),
])
const fits = computed(() => {
  const typed = by.value.trim().toLowerCase()
  return CUT_WITH.filter((c) => c.toLowerCase().includes(typed)).map((value) => ({ value }))
})
const set = computed(() => cutsOf(cut))
const differs = computed(() => last !== null && JSON.stringify(cutsOf(last.zones)) !== JSON.stringify(set.value))
function use() {
  const name = by.value.trim().slice(0, 30)
  if (name === '') return
  const where = zone.value === 'all' ? ZONES.filter((z) => cut[z] === undefined) : [zone.value]
  emit('put', { ...cut, ...Object.fromEntries(where.map((z) => [z, name])) })
  by.value = ''
  open.value = false
}
function without(of: readonly Zone[]) {
  emit('put', Object.fromEntries(Object.entries(cut).filter(([z]) => !of.includes(z as Zone))))
}
</script>

<template>
  <div class="cut">
    <p v-for="c in set" :key="c.cut">
      {{ cutWords(c) }}
      <UiButton kind="link" @click="without(c.zones)"
        >Take out<span class="hidden">, {{ c.cut }}</span></UiButton
      >
    </p>
    <p v-if="last && differs" class="soft">
      Last time, {{ say.date(last.date, 'short') }}: {{ cutsOf(last.zones).map(cutWords).join('; ') }}
      <UiButton kind="link" @click="emit('put', last.zones)">As last time</UiButton>
    </p>
    <UiButton v-if="!open" kind="link" @click="open = true">Blade or comb by zone</UiButton>
    <form v-else class="row" novalidate @submit.prevent="use" @keydown.esc="$event.defaultPrevented || (open = false)">
      <UiField label="Where" :for-id="`${id}-zone`">
        <UiSelect :id="`${id}-zone`" :model-value="zone" :options="zones" @update:model-value="zone = $event ?? zone" />
      </UiField>
      <UiField label="Blade or comb" :for-id="`${id}-by`">
        <UiPick :id="`${id}-by`" v-model="by" label="Blades and combs" :options="fits" @pick="by = $event" />
      </UiField>
      <UiButton submit>Use it</UiButton>
    </form>
  </div>
</template>

<style scoped>
.cut {
  flex: 1 0 100% !important;
}
</style>

<style scoped src="./row.css"></style>
