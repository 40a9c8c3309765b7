<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { findBreedsOrBlends, type Breed } from '../../../core/dog'

const { id } = defineProps<{ id: string }>()
const emit = defineEmits<{ pick: [breed: Breed] }>()
const text = defineModel<string>({ required: true })

const open = ref(false)
const active = ref(-1)
const found = computed(() => findBreedsOrBlends(text.value, 6))
const shown = computed(() => open.value && found.value.length > 0 && found.value[0]!.name !== text.value)

function type(value: string) {
  text.value = value
  open.value = true
  active.value = -1
}
function pick(breed: Breed) {
  text.value = breed.name
  open.value = false
  emit('pick', breed)
}
function move(by: number) {
  if (found.value.length === 0) return
  open.value = true
  active.value = (active.value + by + found.value.length) % found.value.length
}
function enter(event: KeyboardEvent) {
  const breed = shown.value ? found.value[active.value] : undefined
  if (!breed) return
  event.preventDefault()
  pick(breed)
}
</script>

<template>
  <div class="box" @focusout="open = false">
    <Input
      :id="id"
      :value="text"
      role="combobox"
      autocomplete="off"
      aria-autocomplete="list"
      :aria-expanded="shown"
      :aria-controls="`${id}-list`"
      :aria-activedescendant="shown && active >= 0 ? `${id}-${active}` : undefined"
      @update:value="type"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter="enter"
      @keydown.esc="open = false"
    />
    <ul v-show="shown" :id="`${id}-list`" role="listbox" aria-label="Breeds">
      <li
        v-for="(breed, i) in found"
        :id="`${id}-${i}`"
        :key="breed.name"
        role="option"
        :aria-selected="i === active"
        @mousedown.prevent="pick(breed)"
      >
        {{ breed.name }}
        <span class="soft">{{ breed.coat }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.box {
  position: relative;
}
ul {
  position: absolute;
  z-index: 5;
  inset: calc(100% + 3px) 0 auto;
  background: var(--enamel);
  border: 2px solid var(--ink);
  border-radius: 3px 3px 12px 12px;
  overflow: hidden;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  min-height: 44px;
  padding: 2px 12px;
  cursor: pointer;
}
li[aria-selected='true'],
li:hover {
  background: var(--rim-tint);
}
</style>
