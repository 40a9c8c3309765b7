<script setup lang="ts">
import UiTap from '../../ui/UiTap.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, ref, watch } from 'vue'
import type { DayFinding, TriedWay } from '@core/washday'
import StateMark from '../../parts/StateMark.vue'
import { capital, foundText, foundTitle } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { findings, ways } = defineProps<{
  findings: readonly DayFinding[]
  ways?: { finding: DayFinding; tried: TriedWay[]; done: boolean }
}>()
const emit = defineEmits<{
  look: [finding: DayFinding]
  take: [way: TriedWay]
  show: [finding: DayFinding | undefined]
}>()

const chosen = ref<string>()
const shown = computed(() => findings.find((f) => f.id === chosen.value) ?? findings[0])
const others = computed(() => findings.filter((f) => f !== shown.value))
/** Whether the other things to know are listed. */
const listed = ref(false)
const tried = computed(() => (ways && shown.value && ways.finding.id === shown.value.id ? ways : undefined))
const more = ref(false)

watch(
  () => shown.value,
  (now, before) => {
    emit('show', now)
    if (now?.id !== before?.id) more.value = false
  },
  { immediate: true },
)
function choose(finding: DayFinding) {
  chosen.value = finding.id
  emit('look', finding)
}
</script>

<template>
  <section v-if="shown" class="finding" :class="shown.level" aria-live="polite" data-testid="finding">
    <StateMark :state="shown.level" :size="24" />
    <div class="what">
      <h2>{{ foundTitle(shown, say) }}</h2>
      <p>{{ foundText(shown, say) }}</p>
    </div>
    <div class="ways">
      <p v-if="!tried || (!tried.done && tried.tried.length === 0)" class="soft" role="status">Trying ways out</p>
      <p v-else-if="tried.tried.length === 0">No single change mends it. Move a visit, or leave a dog out.</p>
      <template v-else>
        <div v-for="way in more ? tried.tried : tried.tried.slice(0, 1)" :key="way.id" class="way">
          <UiButton kind="primary" @click="emit('take', way)">
            Do it<span class="hidden">: {{ say.said(way.what) }}</span>
          </UiButton>
          <p>
            <strong>{{ say.said(way.what) }}.</strong>
            <template v-if="way.effects.length > 0"> Then {{ say.inLine(way.effects) }}.</template>
            <template v-else-if="way.gone"> Nothing else changes.</template>
            <span v-if="!way.gone"> It helps, but not wholly.</span>
          </p>
        </div>
      </template>
    </div>
    <div class="links">
      <UiButton v-if="tried && !more && tried.tried.length > 1" kind="link" @click="more = true">
        Other ways ({{ tried.tried.length - 1 }})
      </UiButton>
      <UiButton v-if="others.length > 0" kind="link" :aria-expanded="listed" @click="listed = !listed">
        {{ others.length }} more to know
      </UiButton>
    </div>
    <ul v-if="listed && others.length > 0" class="others" aria-label="Other things to know">
      <li v-for="f in others" :key="f.id">
        <UiTap @click="choose(f)">
          <StateMark :state="f.level" :size="18" />
          <span>{{ capital(foundTitle(f, say)) }}</span>
        </UiTap>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.finding {
  display: grid;
  grid-template-columns: 24px minmax(0, 2fr) minmax(0, 3fr) auto;
  gap: 4px 14px;
  align-items: start;
  margin-top: 8px;
  padding: 9px 14px 10px;
  border-top: 3px solid var(--rim);
  border-radius: 0 0 20px 20px;
  background: var(--enamel);
}
.finding.stop {
  border-top-color: var(--stop);
  background: var(--stop-tint);
}
.finding.watch {
  border-top-color: var(--watch);
  background: var(--watch-tint);
}
h2 {
  font-size: 17px;
  line-height: 1.25;
}
.stop h2 {
  color: var(--stop);
}
.watch h2 {
  color: var(--watch);
}
p {
  font-size: 14.5px;
  line-height: 1.4;
}
.way {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 14px;
  align-items: center;
}
.way + .way {
  margin-top: 8px;
}
.links {
  display: flex;
  flex-direction: column;
  align-items: flex-end;
}
.others {
  grid-column: 1 / -1;
}
.others button {
  display: flex;
  gap: 8px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  padding: 4px 0;
  border: 0;
  border-top: 1.5px solid var(--rule);
  background: none;
  color: var(--ink);
  font: 500 14.5px/1.3 var(--text);
  text-align: left;
  cursor: pointer;
}
.others svg {
  flex: none;
}
@media (max-width: 900px) {
  .finding {
    grid-template-columns: 24px 1fr;
  }
  .ways,
  .links {
    grid-column: 1 / -1;
  }
  .links {
    flex-direction: row;
    flex-wrap: wrap;
    gap: 2px 20px;
  }
}
</style>
