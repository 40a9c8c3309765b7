<script setup lang="ts">
import UiFold from '../ui/UiFold.vue'
import { RULE_IDS, type OwnRules, type RuleId } from '@core/rules'
import { RULE_WORDS } from '@words'
import UiSelect from '../ui/UiSelect.vue'

const {
  title,
  hint,
  house = false,
  open = false,
} = defineProps<{
  title: string
  hint: string
  house?: boolean
  /** Whether it stands open at first. */ open?: boolean
}>()
const rules = defineModel<OwnRules>({ required: true })

function options(id: RuleId) {
  const [first, ...others] = Object.entries<string>(RULE_WORDS[id].choices)
  const usual = house
    ? { value: 'usual', text: `${first![1]} (usual)` }
    : { value: 'usual', text: 'as the house has it' }
  const rest = house ? others : [first!, ...others]
  return [usual, ...rest.map(([value, text]) => ({ value, text }))]
}
function choose(id: RuleId, value: string | undefined) {
  const rest = Object.fromEntries(Object.entries(rules.value).filter(([other]) => other !== id))
  rules.value = value === undefined || value === 'usual' ? rest : { ...rest, [id]: value }
}
</script>

<template>
  <UiFold class="basin" :open="house || open || Object.keys(rules).length > 0">
    <template #title>
      <span class="title">{{ title }}</span>
      <span class="soft small">{{ hint }}</span>
    </template>
    <ul>
      <li v-for="id in RULE_IDS" :key="id">
        <label :for="`rule-${id}`">{{ RULE_WORDS[id].question }}</label>
        <UiSelect
          :id="`rule-${id}`"
          :model-value="rules[id] ?? 'usual'"
          :options="options(id)"
          @update:model-value="choose(id, $event)"
        />
        <p class="soft small">Usual because {{ RULE_WORDS[id].why }}.</p>
      </li>
    </ul>
  </UiFold>
</template>

<style scoped>
.title {
  margin-right: 14px;
  color: var(--ink);
  font: 700 17px/1.25 var(--text);
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 300px), 1fr));
  gap: 14px 24px;
  margin-top: 10px;
}
li {
  min-width: 0;
}
label {
  display: block;
  margin-bottom: 4px;
  font-weight: 600;
}
p {
  margin-top: 3px;
}
</style>
