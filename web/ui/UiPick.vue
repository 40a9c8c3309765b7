<script setup lang="ts">
import { AutoComplete } from 'ant-design-vue'
import { computed } from 'vue'
import { useCombobox } from './useCombobox'

const { id, options, label } = defineProps<{
  id: string
  /** What fits what is typed, the likeliest first; `beside`: what tells them apart. */
  options: readonly { value: string; beside?: string }[]
  /** What the list is called. */
  label: string
}>()
const emit = defineEmits<{ pick: [value: string] }>()
/** As it stands in the field: it need not be one of the options. */
const text = defineModel<string>({ required: true })

const items = computed(() =>
  options.length === 1 && options[0]!.value === text.value ? [] : options.map((o) => ({ ...o, label: o.value })),
)
const { opened } = useCombobox(id, { list: () => label })
</script>

<template>
  <!-- Enter chooses here, the one option where there is no other, and never sends the form around it; Escape shuts the list and keeps what is typed. -->
  <div class="ui-pick" @keydown.enter.prevent @keydown.esc.prevent>
    <AutoComplete
      :id="id"
      v-model:value="text"
      :options="items"
      :default-active-first-option="items.length === 1"
      @select="emit('pick', String($event))"
      @dropdown-visible-change="opened"
    >
      <template #option="{ value, beside }">
        <span class="ui-option" data-testid="option"
          >{{ value }}<span v-if="beside" class="soft">{{ beside }}</span></span
        >
      </template>
    </AutoComplete>
  </div>
</template>
