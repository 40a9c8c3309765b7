<script setup lang="ts">
import UiTap from '../../ui/UiTap.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, ref, watch } from 'vue'
import type { DayFinding, TriedWay } from '@core/washday'
import StateMark from '../../parts/StateMark.vue'
import { capital, foundText, foundTitle } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { findings, ways, calm } = defineProps<{
  findings: readonly DayFinding[]
  ways?: { finding: DayFinding; tried: TriedWay[]; done: boolean }
  /** What to say when nothing is wrong. */
  calm: string
}>()
const emit = defineEmits<{
  look: [finding: DayFinding]
  take: [way: TriedWay]
  show: [finding: DayFinding | undefined]
}>()

const chosen = ref<string>()
const shown = computed(() => findings.find((f) => f.id === chosen.value) ?? findings[0])
const others = computed(() => findings.filter((f) => f !== shown.value))
const FEW = 5
const all = ref(false)
const listed = computed(() => (all.value ? others.value : others.value.slice(0, FEW)))
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
    <h2>
      <StateMark :state="shown.level" :size="24" />
      <span>{{ foundTitle(shown, say) }}</span>
    </h2>
    <p>{{ foundText(shown, say) }}</p>
    <p v-if="!tried || (!tried.done && tried.tried.length === 0)" class="soft" role="status">Trying ways out</p>
    <p v-else-if="tried.tried.length === 0" class="soft">
      No single change mends it. Move a visit, or leave a dog out.
    </p>
    <template v-else>
      <div v-for="way in more ? tried.tried : tried.tried.slice(0, 1)" :key="way.id" class="way">
        <p>
          <strong>{{ say.said(way.what) }}.</strong>
          <template v-if="way.effects.length > 0"> Then {{ say.inLine(way.effects) }}.</template>
          <template v-else-if="way.gone"> Nothing else changes.</template>
          <span v-if="!way.gone"> It helps, but not wholly.</span>
        </p>
        <UiButton kind="primary" @click="emit('take', way)">
          Do it<span class="hidden">: {{ say.said(way.what) }}</span>
        </UiButton>
      </div>
      <UiButton v-if="!more && tried.tried.length > 1" kind="link" @click="more = true">
        Other ways ({{ tried.tried.length - 1 }})
      </UiButton>
    </template>
  </section>
  <section v-else class="finding fine" data-testid="finding">
    <h2>
      <StateMark state="ok" :size="24" />
      <span>Everything holds</span>
    </h2>
    <p>{{ calm }}</p>
  </section>
  <ul v-if="others.length > 0" class="others" aria-label="Other things to know">
    <li v-for="f in listed" :key="f.id">
      <UiTap @click="choose(f)">
        <StateMark :state="f.level" :size="18" />
        <span>{{ capital(foundTitle(f, say)) }}</span>
      </UiTap>
    </li>
    <li v-if="others.length > listed.length">
      <UiTap @click="all = true">
        <span class="more">{{ others.length - listed.length }} more</span>
      </UiTap>
    </li>
  </ul>
</template>

<style scoped>
.finding {
  padding: 11px 14px 13px;
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
.finding.fine {
  border-top-color: var(--ok);
}
h2 {
  display: flex;
  gap: 9px;
  align-items: flex-start;
}
.stop h2 {
  color: var(--stop);
}
.watch h2 {
  color: var(--watch);
}
h2 svg {
  flex: none;
}
p {
  margin-top: 5px;
  font-size: 14.5px;
  line-height: 1.4;
}
.way {
  margin-top: 6px;
}
.way .button {
  margin-top: 8px;
}
.way + .way {
  padding-top: 8px;
  border-top: 1.5px solid rgb(19 36 43 / 18%);
}
.soft {
  color: var(--ink2);
}
.finding .soft {
  color: var(--ink);
}
.others button {
  display: flex;
  gap: 8px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  padding: 4px 0;
  border: 0;
  border-bottom: 1.5px solid var(--rule);
  background: none;
  color: var(--ink);
  font: 500 14.5px/1.3 var(--text);
  text-align: left;
  cursor: pointer;
}
.more {
  color: var(--rim);
  font-weight: 600;
  text-decoration: underline;
  text-underline-offset: 3px;
}
.others svg {
  flex: none;
}
</style>
