<script setup lang="ts">
import { computed } from 'vue'
import { RULE_IDS, type OwnRules as Rules } from '@core/rules'
import OwnRules from '../../parts/OwnRules.vue'

const rules = defineModel<Rules>({ required: true })
const chosen = computed(() => Object.keys(rules.value).length)
</script>

<template>
  <OwnRules
    v-model="rules"
    house
    title="Rules"
    :hint="`Good people differ here. ${chosen === 0 ? 'All are as usual' : `${chosen} of ${RULE_IDS.length} are your own`}; a dog’s own goes before these, a stop before all.`"
  />
</template>
