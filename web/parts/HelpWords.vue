<script setup lang="ts">
import { computed } from 'vue'
import { HELP, HELP_LAST, type HelpOf } from '@words'

const { of } = defineProps<{
  /** The view that help is given on, by its place in the menu. */
  of: HelpOf
}>()
const help = computed(() => HELP[of])
</script>

<template>
  <div class="columns">
    <ul>
      <li v-for="line in help.lines" :key="line">{{ line }}</li>
    </ul>
    <dl v-if="help.keys.length > 0">
      <template v-for="[key, does] in help.keys" :key="key">
        <dt>{{ key }}</dt>
        <dd>{{ does }}</dd>
      </template>
    </dl>
  </div>
  <p class="last">{{ HELP_LAST }}</p>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
  gap: 8px 40px;
}
li {
  padding: 8px 0;
  border-top: 1.5px solid var(--rule2);
}
dl {
  display: grid;
  grid-template-columns: minmax(0, auto) 1fr;
  gap: 8px 18px;
  align-content: start;
  margin: 8px 0;
}
dt {
  font-weight: 700;
}
dd {
  margin: 0;
}
.last {
  margin: 14px 0;
  color: var(--watch);
  font-weight: 600;
}
</style>
