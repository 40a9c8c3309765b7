<script setup lang="ts">
import { computed } from 'vue'
import { findBreedsOrBlends, type Breed } from '@core/dog'
import UiPick from '../ui/UiPick.vue'

const { id } = defineProps<{ id: string }>()
const emit = defineEmits<{ pick: [breed: Breed] }>()
const text = defineModel<string>({ required: true })

const MOST = 6
const found = computed(() => findBreedsOrBlends(text.value, MOST))
const options = computed(() => found.value.map(({ name, coat }) => ({ value: name, beside: coat })))

function pick(name: string) {
  const breed = found.value.find((b) => b.name === name)
  if (breed) emit('pick', breed)
}
</script>

<template>
  <UiPick :id="id" v-model="text" label="Breeds" :options="options" @pick="pick" />
</template>
