<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { useMediaQuery, useStorage } from '@vueuse/core'
import { computed, provide, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { anySkin, skinMap, stageOn } from '@core/dog'
import { suggestedPrice } from '@core/money'
import { productCost, withChoice, wayOf, type OverrideTarget, type OwnChoice } from '@core/visit'
import BecauseList from '../../parts/BecauseList.vue'
import { usePrices } from '../../parts/usePrices'
import CoatSwatch from '../../parts/CoatSwatch.vue'
import NoticeLine from '../../parts/NoticeLine.vue'
import { deviceToday } from '../../parts/words'
import ProblemNote from '../../parts/ProblemNote.vue'
import { redFlagsOf } from '@core/dog'
import RedFlags from '../../parts/RedFlags.vue'
import { pairOf } from '../../drawing/colours'
import { useMemory } from '../../stores/memory'
import { useRoom } from '../../stores/room'
import ChangeList from './ChangeList.vue'
import DryAnswer from './DryAnswer.vue'
import { FIXED } from './fixed'
import EarsAnswer from './EarsAnswer.vue'
import LogPlan from './LogPlan.vue'
import HandsPlan from './HandsPlan.vue'
import MixAnswer from './MixAnswer.vue'
import RinseAnswer from './RinseAnswer.vue'
import LastTime from './LastTime.vue'
import StylingFields from './StylingFields.vue'
import OwnChoices from './OwnChoices.vue'
import AddStep from './AddStep.vue'
import LinePicture from './LinePicture.vue'
import UiFold from '../../ui/UiFold.vue'
import RecipeLine from './RecipeLine.vue'
import StepRibbon from './StepRibbon.vue'
import TodayPanel from './TodayPanel.vue'
import VisitKind from './VisitKind.vue'
import { useRecipe } from './useRecipe'
import WaterAnswer from './WaterAnswer.vue'
import { useSay } from '../../say'
import {
  careInBrief,
  dogLine,
  dryInBrief,
  earsInBrief,
  handlingInBrief,
  leftOutWords,
  rinseInBrief,
  SERVICE_NAMES,
  SHORT_WORDS,
  skinLine,
  stepsInBrief,
  wantedWords,
  washInBrief,
  waterInBrief,
} from '@words'

const say = useSay()

const props = defineProps<{ dogId?: string; visitId?: string; date?: string }>()
const router = useRouter()
const room = useRoom()
const memory = useMemory()
const recipe = useRecipe(() => ({ dogId: props.dogId, visitId: props.visitId, date: props.date }))
const { stored, visit, today, plan, changes, edited, problem, saving, saveProblem, newer, gone } = recipe
provide(FIXED, gone)
const justKept = ref(false)
const narrow = useMediaQuery('(max-width: 860px)')
/** Whether this device shows all of every recipe at once. */
const all = useStorage('juvant.recipe.all', false)

watch(
  () => [props.dogId, props.visitId, props.date],
  () => {
    if (props.visitId && visit.value?.id === props.visitId) return
    void recipe.open()
  },
  { immediate: true },
)
watch(edited, (now) => now && (justKept.value = false))

const dog = computed(() => stored.value?.record)
const stage = computed(() => (dog.value && today.value ? stageOn(dog.value, today.value.date) : 'adult'))
const under = computed(() => {
  if (!dog.value || !today.value) return ''
  const kg = today.value.weightKg ?? dog.value.weightKg
  return `${dogLine({ ...dog.value, weightKg: kg }, say)}, ${skinLine(anySkin(skinMap(today.value)))}`
})
/** What is left out because the visit is short, and what was done too lately. */
const shortened = computed(() => (plan.value?.leftOut ?? []).filter((l) => l.because !== 'notYet'))
const shortLine = computed(
  () => `Kept short for ${SHORT_WORDS[plan.value!.short!]}: ${say.count(shortened.value.length, 'thing')} left out`,
)
const inPart = computed(() => shortened.value.some((l) => l.what === 'upperBody'))
const lately = computed(() => (plan.value?.leftOut ?? []).filter((l) => l.because === 'notYet'))
/** The day for which the recipe is kept, in words. */
const onDay = computed(() => {
  const { date } = today.value!
  return date === deviceToday() ? 'today' : `${say.date(date, 'weekday')} ${say.date(date, 'day')}`
})
const checkIn = computed(() => {
  if (props.visitId) return `/recipes/${props.visitId}/check-in`
  return `/dogs/${props.dogId}/check-in${props.date ? `?date=${props.date}` : ''}`
})
const overrideOf = (target: OverrideTarget) => today.value?.overrides.find((o) => o.target === target)

const prices = usePrices(() => today.value?.date)
/** The price of the visit with its reasons; undefined where neither list nor record says one. */
const price = computed(() => {
  if (!dog.value || !today.value || !plan.value || !stored.value) return undefined
  const dogId = stored.value.id
  const agreed = prices.seatOf(dogId)?.price
  return prices.number({ dogId, dog: dog.value, today: today.value, plan: plan.value, agreed })
})
/** What an hour of hands as the house wants it, and the products, would come to. */
const wanted = computed(() => {
  if (!plan.value || !room.house) return undefined
  const { cost } = productCost(plan.value, room.shelf)
  return suggestedPrice(plan.value.handMinutes.value, Math.round(100 * cost), room.house.priceList)
})
const amount = (cents: number) => ({ cents, currency: room.house!.prices.currency })
const priceInBrief = computed(() => ({
  big: price.value && say.money(amount(price.value.value)),
  more: wanted.value && wantedWords(amount(wanted.value.value), amount(room.house!.priceList.hour!), say),
}))
const stepsLine = computed(() => plan.value && stepsInBrief(plan.value, say))
const handlingLine = computed(() => plan.value && handlingInBrief(plan.value, say))
const careLine = computed(() => plan.value && careInBrief(plan.value, say))

/** What the recipe would come to with a choice more. */
const then = (choice: OwnChoice) =>
  today.value && recipe.reckonFrom({ ...today.value, ...withChoice(wayOf(today.value), choice) })

async function keep() {
  const kept = await recipe.keep()
  if (!kept) return
  justKept.value = true
  if (props.visitId !== kept.id) await router.replace(`/recipes/${kept.id}`)
}
async function keepMine() {
  if (newer.value && (await recipe.keep(newer.value.version))) justKept.value = true
}
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem">
    <UiButton v-if="problem.status !== 404" kind="link" @click="recipe.open()">Try again</UiButton>
    <RouterLink class="link" to="/dogs">To the dogs</RouterLink>
  </ProblemNote>
  <p v-else-if="!plan || !today || !stored || !dog" class="soft">Reckoning</p>
  <template v-else>
    <div class="head">
      <CoatSwatch :dog="dog" :dog-id="stored.id" :width="62" :height="68" />
      <div class="who">
        <div class="named">
          <h1 :style="{ color: pairOf(dog).stroke }">
            <RouterLink :to="`/dogs/${stored.id}`">{{ dog.name }}</RouterLink>
          </h1>
          <RedFlags :flags="redFlagsOf(dog, today)" />
        </div>
        <p>{{ under }}</p>
        <p class="soft">
          <RouterLink class="link" :to="`/days/${today.date}`">{{ say.date(today.date) }}</RouterLink>,
          <b>{{ say.minutes(plan.minutes.value) }}</b>
          in all<template v-if="plan.likely">
            (4 in 5 times {{ say.minutes(plan.likely.most[0]) }} to {{ say.minutes(plan.likely.most[1]) }})</template
          >,
          <b>{{ say.minutes(plan.handMinutes.value) }}</b>
          of your hands<template v-if="plan.go"
            >, <b>{{ say.count(plan.towels.value, 'towel') }}</b>{{ plan.chamois ? ' and the chamois' : '' }}</template
          >.
        </p>
      </div>
      <p v-if="gone" class="soft">The record of {{ dog.name }} is deleted. This is the recipe as it was saved.</p>
      <div v-else class="act">
        <UiButton kind="primary" :disabled="saving || (!!visit && !edited)" @click="keep">
          {{ visit ? (edited ? 'Save the changes' : 'Saved') : `Save for ${onDay}` }}
        </UiButton>
        <RouterLink class="link" :to="checkIn">Check in</RouterLink>
        <template v-if="visit && !edited">
          <a class="link" :href="`/api/visits/${visit.id}/slip.pdf`" target="_blank" rel="noopener">Slip to go home</a>
          <a class="link" :href="`/api/visits/${visit.id}/letter.pdf`" target="_blank" rel="noopener"
            >Letter to the vet</a
          >
        </template>
        <UiButton v-if="edited" kind="link" @click="recipe.reset()">Undo all</UiButton>
        <p v-if="justKept && !edited" class="done" role="status">Saved.</p>
      </div>
    </div>

    <ProblemNote v-if="saveProblem" :problem="saveProblem" class="gap">
      <template v-if="newer">
        <UiButton kind="link" @click="keepMine">Keep mine over it</UiButton>
        &nbsp;&nbsp;
        <UiButton kind="link" @click="recipe.takeNewer()">Open the other</UiButton>
      </template>
    </ProblemNote>

    <div v-if="plan.stops.length" class="stops">
      <NoticeLine v-for="stop in plan.stops" :key="stop.id" :notice="stop" />
    </div>

    <div v-if="!gone" class="come">
      <VisitKind :today="today" :dog="dog" :last-cut="memory.of(stored.id).cut" @put="recipe.put" />
      <UiButton kind="link" class="all" :aria-pressed="all" @click="all = !all">{{
        all ? 'Fold it up' : 'Open all of it'
      }}</UiButton>
    </div>
    <ChangeList v-if="!gone" :changes="changes" :all="all" />

    <div v-if="plan.short" class="short">
      <UiFold v-if="shortened.length > 0" :title="shortLine" :open="all">
        <ul>
          <li v-for="l in shortened" :key="l.what">{{ leftOutWords(l, say) }}</li>
        </ul>
      </UiFold>
      <p v-else>Kept short for {{ SHORT_WORDS[plan.short] }}.</p>
      <p v-if="inPart">
        Only legs, belly and tail are washed today.
        <UiButton
          v-if="!gone"
          kind="link"
          @click="recipe.take({ key: 'anyway upperBody', in: 'anyway', value: 'upperBody' })"
          >Wash all of it</UiButton
        >
      </p>
      <p v-if="plan.again">
        The rest in a second short visit, from {{ say.date(plan.again, 'day') }} on; or put the bath off, where no dirt
        asks for it.
      </p>
    </div>

    <div class="card basin">
      <TodayPanel
        v-if="!gone"
        :today="today"
        :dog="dog"
        :questions="plan.questions"
        :open="all && !narrow"
        @put="recipe.put"
      />
      <template v-if="plan.go">
        <RecipeLine about="Wash" v-bind="washInBrief(plan, say)" :open="all">
          <template #line><LinePicture :plan="plan" of="wash" /></template>
          <MixAnswer
            :plan="plan"
            :dog="dog"
            :shelf="room.shelf"
            :own-of="overrideOf"
            :reckon="then"
            @own="recipe.setOverride"
            @back="recipe.putBack"
            @take="recipe.take"
          />
        </RecipeLine>
        <RecipeLine about="Water" v-bind="waterInBrief(plan.water, say)" :open="all">
          <template #line><LinePicture :plan="plan" of="water" /></template>
          <WaterAnswer
            :water="plan.water"
            :flow="room.house?.water.flow ?? 0"
            :own="overrideOf('water')"
            @own="recipe.setOverride"
            @back="recipe.putBack"
          />
        </RecipeLine>
        <RecipeLine about="Rinse" v-bind="rinseInBrief(plan.rinse, say)" :open="all">
          <template #line><LinePicture :plan="plan" of="rinse" /></template>
          <RinseAnswer
            :rinse="plan.rinse"
            :own="overrideOf('rinse')"
            :own-passes="overrideOf('passes')"
            @own="recipe.setOverride"
            @back="recipe.putBack"
          />
        </RecipeLine>
      </template>
      <RecipeLine about="Ears" v-bind="earsInBrief(plan.ears, say)" :open="all">
        <template #line><LinePicture :plan="plan" of="ears" /></template>
        <EarsAnswer
          :ears="plan.ears"
          :carriage="dog.earCarriage"
          :own="overrideOf('earMl')"
          @own="recipe.setOverride"
          @back="recipe.putBack"
        />
      </RecipeLine>
      <RecipeLine v-if="plan.go" about="Dry" v-bind="dryInBrief(plan.drying, say)" :open="all">
        <template #line><LinePicture :plan="plan" of="dry" /></template>
        <DryAnswer
          :drying="plan.drying"
          :dog="dog"
          :puppy="stage === 'puppy'"
          :own-of="overrideOf"
          :chamois="plan.chamois"
          :technique="today.technique"
          @technique="recipe.put({ technique: $event })"
          @own="recipe.setOverride"
          @back="recipe.putBack"
        />
      </RecipeLine>
      <p v-else class="nobath">
        <span class="display">No bath today.</span>
        <template v-if="plan.stops.length">
          Look, ears where they are sound, hand over. What to do next is above.
        </template>
        <template v-else>The dog comes for {{ SERVICE_NAMES[today.service] }}.</template>
      </p>
      <RecipeLine v-if="price && !gone" about="Price" v-bind="priceInBrief" :open="all">
        <section class="basin" aria-label="Price" data-testid="price">
          <BecauseList :number="price" :digits="2" />
          <template v-if="wanted">
            <h3>What it would have to bring</h3>
            <BecauseList :number="wanted" :digits="2" />
          </template>
        </section>
      </RecipeLine>
      <RecipeLine about="Steps" :more="stepsLine" :open="all">
        <p v-for="l in lately" :key="l.what" class="lately">
          Not today: {{ leftOutWords(l, say) }}.
          <UiButton
            v-if="!gone"
            kind="link"
            @click="recipe.take({ key: `anyway ${l.what}`, in: 'anyway', value: l.what })"
            >Do it today</UiButton
          >
        </p>
        <StepRibbon
          :steps="plan.steps"
          :minutes="plan.minutes.value"
          :dog="dog"
          :dog-id="stored.id"
          :own="today.minutes"
          @own="recipe.setMinutes"
          @back="recipe.minutesBack"
          @take="recipe.take"
          @drop="recipe.dropChoice"
        />
        <StylingFields v-if="plan.go" @take="recipe.take" />
        <AddStep :steps="plan.steps" :shelf="room.shelf" :dog="dog" @take="recipe.take" />
        <LogPlan :plan="plan" :suited="recipe.memory.value.suited" />
      </RecipeLine>
      <LastTime v-if="!gone" :dog-id="stored.id" :today="today" :plan="plan" :open="all" @put="recipe.put" />
      <RecipeLine about="Handling" :more="handlingLine" :open="all">
        <HandsPlan :plan="plan" />
      </RecipeLine>
      <RecipeLine v-if="plan.cautions.length > 0" about="Take care" :more="careLine" :open="all">
        <div class="cautions">
          <NoticeLine v-for="caution in plan.cautions" :key="caution.id" :notice="caution" />
        </div>
      </RecipeLine>
    </div>
    <OwnChoices v-if="!gone" v-model:dog="stored" :today="today" :plan="plan" @put="recipe.put" />
    <p class="soft small">
      Grooming guidance, not a vet’s advice. The vet, the product’s label and local rules come first.
    </p>
  </template>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  margin-bottom: 12px;
}
.who {
  flex: 1 1 220px;
  min-width: 0;
}
.named {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}
h1 {
  overflow-wrap: anywhere;
}
h1 a {
  color: inherit;
  text-decoration: none;
}
h1 a:hover {
  text-decoration: underline;
}
.act {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 18px;
}
.done {
  color: var(--ok);
  font-weight: 700;
}
.gap {
  margin-bottom: 12px;
}
.stops {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: 12px;
  margin-bottom: 12px;
}
.come {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: flex-end;
  justify-content: space-between;
}
.card {
  margin: 10px 0 12px;
  padding-top: 2px;
}
.nobath {
  padding: 10px 2px;
  border-top: 1.5px solid var(--rule2);
  font-size: 16px;
}
.nobath .display {
  display: block;
  font-size: 23px;
}
.cautions {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 360px), 1fr));
  gap: 12px 28px;
  margin: 10px 0 12px;
}
.short {
  margin-top: 10px;
}
.short ul {
  margin: 2px 0 4px;
  padding-left: 20px;
  list-style: disc;
}
</style>
