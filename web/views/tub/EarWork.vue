<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { EarSign } from '@core/dog'
import { EARS } from '@core/ears'
import { earNow, earOver, type EarDeed, type EarPhase } from '@core/tubside'
import { earInBrief } from '@core/visit'
import UiTubButton from '../../ui/UiTubButton.vue'
import { capital, EAR_LINES, earWords, POWDER_ON_HAIR } from '@words'
import { useSay } from '../../say'
import type { Tub } from './useTub'

const say = useSay()

const { tub } = defineProps<{ tub: Tub }>()
const emit = defineEmits<{
  /** The massage of an ear is over. */
  over: [words: string]
}>()

type Side = 'left' | 'right'
const SIDES = ['left', 'right'] as const
const plan = computed(() => tub.visit.value!.plan.ears)
const phaseOf = (side: Side): EarPhase => earNow(tub.record.value.ears[side], plan.value[side], tub.now.value.getTime())
const phases = computed(() => ({ left: phaseOf('left'), right: phaseOf('right') }))
const picked = ref<Side>()
/** The ear that was in hand last: it stays in sight when nothing is left to do, and while its signs are told. */
const last = ref<Side>('left')
const asksSigns = ref(false)
/** The ear in hand: the one that was picked, else the first with something left to do. */
const side = computed<Side>(() => {
  const next = asksSigns.value ? undefined : SIDES.find((s) => !earOver(phases.value[s]))
  return picked.value ?? next ?? last.value
})
const phase = computed(() => phases.value[side.value])
const ear = computed(() => tub.record.value.ears[side.value])
const works = computed(() => ['fill', 'massage', 'wipe'].includes(phase.value.at))
const seconds = computed(() =>
  phase.value.at === 'massage' ? Math.max(0, Math.ceil((phase.value.until - tub.now.value.getTime()) / 1000)) : 0,
)
watch(
  () => phase.value.at,
  (at, before) => {
    if (before === 'massage' && at === 'wipe') emit('over', `${side.value} ear: let it shake, then the cotton`)
    if (earOver(phase.value) && picked.value) picked.value = undefined
  },
)
watch(side, (now) => (last.value = now), { immediate: true })

function pick(s: Side) {
  asksSigns.value = false
  picked.value = s
}
const did = (deed: EarDeed) => tub.tap({ kind: 'earDid', side: side.value, did: deed })
const cotton = (came: 'clean' | 'dirty') => tub.tap({ kind: 'ear', side: side.value, cotton: came })
function sign(found: EarSign) {
  const before = ear.value.signs
  const signs = before.includes(found) ? before.filter((s) => s !== found) : [...before, found]
  tub.tap({ kind: 'earSigns', side: side.value, signs })
}
function stateOf(of: Side): string {
  const { rounds, clean } = tub.record.value.ears[of]
  switch (phases.value[of].at) {
    case 'stopped':
      return 'stopped, vet'
    case 'leave':
      return 'left to the vet'
    case 'refer':
      return 'still dirty, vet'
    case 'enough':
      return rounds > 0 ? `enough, ${say.count(rounds, 'round')}` : 'left'
    case 'over':
      return clean ? `clean, ${say.count(rounds, 'round')}` : 'done'
    default:
      return rounds > 0 ? `round ${rounds + 1}` : 'to do'
  }
}
const lines = computed(() => {
  const { at } = phase.value
  if (at === 'over') return []
  if (at === 'dry') return [`${plan.value[side.value].dryWith ?? 'Drying one'}: what got wet is dried.`]
  if (at === 'thin' && plan.value[side.value].powder === 'hair')
    return EAR_LINES.thin.map((line, i) => (i === 0 ? POWDER_ON_HAIR : line))
  return EAR_LINES[at]
})
</script>

<template>
  <div class="ears" data-testid="ears">
    <div class="choices both">
      <UiTubButton v-for="s in SIDES" :key="s" class="tab" :on="side === s" @click="pick(s)">
        {{ capital(s) }}: {{ stateOf(s) }}
      </UiTubButton>
    </div>
    <p class="ear-name">{{ capital(side) }}: {{ earWords(earInBrief(plan[side]), say) }}</p>
    <p v-if="ear.signs.length > 0" class="refused">{{ capital(say.list(ear.signs)) }}.</p>
    <p v-if="phase.at === 'massage'" class="count" role="timer">
      <span class="display">{{ seconds }}</span> s massage, from below upwards
    </p>
    <ul class="big-lines ear-lines" :class="{ refused: ['stopped', 'refer', 'leave'].includes(phase.at) }">
      <li v-for="line in lines" :key="line">{{ line }}</li>
    </ul>
    <div v-if="asksSigns" class="choices">
      <UiTubButton
        v-for="s in EarSign.options"
        :key="s"
        class="sign"
        kind="damp"
        :on="ear.signs.includes(s)"
        @click="sign(s)"
        >{{ capital(s) }}</UiTubButton
      >
      <UiTubButton kind="quiet" @click="asksSigns = false">That is all</UiTubButton>
    </div>
    <div v-else class="choices">
      <UiTubButton v-if="phase.at === 'look'" class="wide" @click="did('looked')">Looks and smells healthy</UiTubButton>
      <UiTubButton v-if="phase.at === 'thin'" class="wide" @click="did('thinned')">Thinned, no powder left</UiTubButton>
      <UiTubButton v-if="phase.at === 'soften'" class="wide" @click="did('softened')">Softener is in</UiTubButton>
      <UiTubButton v-if="phase.at === 'fill'" class="wide" @click="did('filled')">
        It is in: massage {{ EARS.massage.value }} s
      </UiTubButton>
      <UiTubButton v-if="phase.at === 'flap'" class="wide" @click="did('wiped')">Flap wiped</UiTubButton>
      <UiTubButton v-if="phase.at === 'dry'" class="wide" @click="did('dried')">Dried</UiTubButton>
      <template v-if="works">
        <UiTubButton @click="cotton('clean')"
          >Cotton clean<span class="hidden">, {{ side }}</span></UiTubButton
        >
        <UiTubButton kind="damp" @click="cotton('dirty')"
          >Still dirty<span class="hidden">, {{ side }}</span></UiTubButton
        >
        <UiTubButton v-if="ear.rounds > 0" kind="quiet" @click="did('enough')">Enough for today</UiTubButton>
      </template>
      <UiTubButton v-if="!earOver(phase) || phase.at === 'stopped'" kind="quiet" @click="asksSigns = true">
        {{ phase.at === 'stopped' ? 'Signs' : 'A stop sign' }}
      </UiTubButton>
    </div>
  </div>
</template>

<style scoped>
.tub .step .choices .tab {
  flex: 1;
  min-height: 64px;
}
.tub .step .choices .sign {
  min-height: 64px;
  font-size: 20px;
}
.tub .step .choices .wide {
  flex: 1 0 100%;
}
.count {
  margin-top: 10px;
  font-size: 28px;
}
.count .display {
  font-size: 84px;
  line-height: 1;
}
@media (max-width: 640px) {
  .count .display {
    font-size: 64px;
  }
}
</style>
