<script setup lang="ts">
import { type OwnRules, type RuleId } from '@core/rules'
import { RULE_WORDS } from '@words'
import UiSelect from '../ui/UiSelect.vue'

const { ids, house = false } = defineProps<{
  /** The rules that can be chosen here. */
  ids: readonly RuleId[]
  /** They are the house’s, not a dog’s. */
  house?: boolean
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
  <ul>
    <li v-for="id in ids" :key="id">
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
</template>

<style scoped>
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
