<script setup lang="ts">
import { computed, inject, ref, useId } from 'vue'
import { Styling, ZONES, type Zone } from '@core/dog'
import type { OwnChoice } from '@core/visit'
import { STYLING_NAMES, ZONE_NAMES } from '@words'
import UiButton from '../../ui/UiButton.vue'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import { FIXED } from './fixed'

const emit = defineEmits<{ take: [choice: OwnChoice] }>()
const fixed = inject(FIXED, ref(false))
const id = useId()
const open = ref(false)
const zone = ref<Zone>('back')
const style = ref<Styling>('lift')
const zones = computed(() => ZONES.map((value) => ({ value, text: ZONE_NAMES[value] })))
const STYLES = Styling.options.map((value) => ({ value, text: STYLING_NAMES[value] }))
function use() {
  emit('take', { key: `styling ${zone.value}`, in: 'styling', value: { zone: zone.value, styling: style.value } })
  open.value = false
}
</script>

<template>
  <div v-if="!fixed">
    <UiButton v-if="!open" kind="link" @click="open = true">How a zone is to lie</UiButton>
    <form v-else class="row" novalidate @submit.prevent="use" @keydown.esc="open = false">
      <UiField label="Zone" :for-id="`${id}-zone`">
        <UiSelect :id="`${id}-zone`" :model-value="zone" :options="zones" @update:model-value="zone = $event ?? zone" />
      </UiField>
      <UiField label="Is to be" :for-id="`${id}-style`">
        <UiSelect
          :id="`${id}-style`"
          :model-value="style"
          :options="STYLES"
          @update:model-value="style = $event ?? style"
        />
      </UiField>
      <UiButton submit>Use it</UiButton>
    </form>
  </div>
</template>

<style scoped src="./row.css"></style>
