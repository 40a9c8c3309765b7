<script setup lang="ts">
import { ref } from 'vue'
import { RULE_IDS, type OwnRules } from '@core/rules'
import UiFold from '../ui/UiFold.vue'
import RuleList from './RuleList.vue'

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

/** Those that were one’s own when they came into sight stay first while they are changed. */
const ownAtFirst = RULE_IDS.filter((id) => id in rules.value)
const others = RULE_IDS.filter((id) => !ownAtFirst.includes(id))
const opened = ref(false)
</script>

<template>
  <section v-if="house" class="basin">
    <h2>{{ title }}</h2>
    <p class="soft">{{ hint }}</p>
    <RuleList v-if="ownAtFirst.length > 0" v-model="rules" :ids="ownAtFirst" house />
    <UiFold :title="ownAtFirst.length > 0 ? 'The others' : 'All of them'" @opened="opened = true">
      <RuleList v-if="opened" v-model="rules" :ids="others" house />
    </UiFold>
  </section>
  <UiFold v-else class="basin" :open="open || ownAtFirst.length > 0">
    <template #title>
      <span class="title">{{ title }}</span>
      <span class="soft small">{{ hint }}</span>
    </template>
    <RuleList v-model="rules" :ids="RULE_IDS" />
  </UiFold>
</template>

<style scoped>
.title {
  margin-right: 14px;
  color: var(--ink);
  font: 700 17px/1.25 var(--text);
}
</style>
