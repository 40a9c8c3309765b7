<script setup lang="ts">
import { computed, inject, ref, useId } from 'vue'
import { bathes, ClipTool, cutsAll, Service, type Dog } from '@core/dog'
import { canClip, type Memory, type Today } from '@core/visit'
import { capital, CLIP_TOOL_NAMES, SERVICE_NAMES } from '@words'
import ClipLength from '../../parts/ClipLength.vue'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import BroughtFields from './BroughtFields.vue'
import CutFields from './CutFields.vue'
import { FIXED } from './fixed'

const { today, dog } = defineProps<{ today: Today; dog: Dog; lastCut: Memory['cut'] }>()
const emit = defineEmits<{ put: [part: Partial<Today>] }>()

const id = useId()
const fixed = inject(FIXED, ref(false))
const kinds = computed(() =>
  Service.options
    .filter((s) => !cutsAll(s) || canClip(dog.coat) || today.service === s)
    .map((value) => ({ value, text: capital(SERVICE_NAMES[value]) })),
)
const TOOLS = ClipTool.options.map((value) => ({ value, text: capital(CLIP_TOOL_NAMES[value]) }))
</script>

<template>
  <div class="kind">
    <p v-if="fixed" class="soft">{{ capital(SERVICE_NAMES[today.service]) }}</p>
    <UiField v-else label="Comes for" :for-id="`${id}-kind`">
      <UiSelect
        :id="`${id}-kind`"
        :model-value="today.service"
        :options="kinds"
        @update:model-value="$event && emit('put', { service: $event })"
      />
    </UiField>
    <template v-if="!fixed && cutsAll(today.service)">
      <UiField label="Cut with" :for-id="`${id}-tool`">
        <UiSelect
          :id="`${id}-tool`"
          :model-value="today.clipTool"
          :options="TOOLS"
          @update:model-value="$event && emit('put', { clipTool: $event })"
        />
      </UiField>
      <ClipLength :cm="today.clipCm" @put="emit('put', { clipCm: $event })" />
      <CutFields :cut="today.cut" :last="lastCut" @put="emit('put', { cut: $event })" />
    </template>
    <BroughtFields v-if="!fixed && bathes(today.service)" :brought="today.brought" @put="emit('put', $event)" />
  </div>
</template>

<style scoped>
.kind {
  display: flex;
  flex: 1 1 auto;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: flex-start;
  margin-bottom: 12px;
}
.kind > * {
  flex: 0 1 230px;
}
.kind > .asks {
  flex: none;
  align-self: flex-end;
  min-height: 44px;
}
.kind > .brought {
  flex: 1 1 100%;
}
</style>
