<script setup lang="ts">
import { marked } from 'marked'
import { computed } from 'vue'
import { GUIDE, type GuideSheet } from '@words'
import { sheetOf } from './sheet'

const { sheet } = defineProps<{
  /** Which sheet is open: the first where there is none of that name. */
  sheet?: string
}>()

const TEXTS = import.meta.glob<string>('../../../docs/guide/*.md', { query: '?raw', import: 'default', eager: true })
const textOf = (name: GuideSheet) => TEXTS[`../../../docs/guide/${name}.md`] ?? ''
const names = Object.keys(GUIDE) as GuideSheet[]
const open = computed(() => names.find((n) => n === sheet) ?? names[0]!)

const tokens = computed(() => marked.lexer(textOf(open.value)).slice(1))
</script>

<template>
  <article class="guide">
    <nav aria-label="Tasks">
      <ul>
        <li v-for="name in names" :key="name">
          <RouterLink class="link" :to="`/guide/${name}`" :aria-current="name === open ? 'page' : undefined">{{
            GUIDE[name]
          }}</RouterLink>
        </li>
      </ul>
    </nav>
    <section :aria-labelledby="`guide-${open}`">
      <h1 :id="`guide-${open}`">{{ GUIDE[open] }}</h1>
      <div class="sheet"><component :is="() => sheetOf(tokens)" /></div>
    </section>
  </article>
</template>

<style scoped>
.guide {
  display: grid;
  grid-template-columns: 200px minmax(0, 1fr);
  gap: 8px 48px;
  align-items: start;
}
nav ul {
  padding: 10px 0;
  list-style: none;
}
nav li {
  padding: 6px 0;
  border-top: 1.5px solid var(--rule2);
}
[aria-current] {
  color: var(--ink);
  text-decoration: none;
}
@media (min-width: 1080px) {
  .sheet {
    columns: 2;
    column-gap: 48px;
  }
}
.sheet :deep(:is(ol, ul)) {
  margin: 0 0 14px;
  padding-left: 26px;
  list-style: revert;
}
.sheet :deep(li) {
  padding: 5px 0;
  line-height: 1.5;
  break-inside: avoid;
}
.sheet :deep(h2) {
  margin: 14px 0 6px;
  font-size: 19px;
  break-after: avoid;
}
.sheet :deep(pre) {
  overflow-x: auto;
}
.sheet :deep(p) {
  margin: 0 0 14px;
  line-height: 1.6;
}
.sheet :deep(em) {
  font-style: normal;
  font-weight: 600;
}
@media (max-width: 860px) {
  .guide {
    grid-template-columns: minmax(0, 1fr);
  }
  nav ul {
    display: flex;
    flex-wrap: wrap;
    gap: 0 16px;
  }
  nav li {
    padding: 0;
    border: 0;
  }
}
</style>
