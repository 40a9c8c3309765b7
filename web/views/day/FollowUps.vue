<script setup lang="ts">
import { ref, watch } from 'vue'
import type { FollowUp } from '@contract'
import type { AfterAnswers } from '@core/owner'
import { newsSent, ticksTold, type WashDay } from '@core/washday'
import { ask } from '../../api/client'
import { days } from '../../api/days'
import { useAsk } from '../../api/queries'
import AfterForm from '../../parts/AfterForm.vue'
import OwnerMessage from '../../parts/OwnerMessage.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import UiButton from '../../ui/UiButton.vue'
import { askAfterMessage } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { on } = defineProps<{ on: string }>()
const { answer, again } = useAsk('GET /followups', () => ({ query: { on } }))
const open = ref<{ of: FollowUp; what: 'message' | 'answers' }>()
const { problem, tell } = useTell()

/** The days whose dogs are asked about, for what was sent of them. */
const asked = ref<Record<string, WashDay>>({})
watch(
  answer,
  async (all) => {
    for (const date of new Set(all?.map((f) => f.date))) {
      const found = await days.get(date).catch(() => undefined)
      if (found) asked.value = { ...asked.value, [date]: found.record }
    }
  },
  { immediate: true },
)
const seatOf = (f: FollowUp, day: WashDay | undefined) => day?.seats.find((s) => s.dogId === f.dogId)?.id
function wasAsked(f: FollowUp): boolean {
  const day = asked.value[f.date]
  const seat = seatOf(f, day)
  return day !== undefined && seat !== undefined && newsSent(day, seat).includes(AFTER)
}
const AFTER = 'after'
/** The owner was asked: noted with the day of the visit. */
const noteAsked = (f: FollowUp) =>
  tell(async () => {
    const { version, record } = await days.get(f.date)
    const seat = seatOf(f, record)
    if (!seat) return
    const kept = await days.keep(version, { ...record, ticks: ticksTold(record, seat, AFTER) })
    asked.value = { ...asked.value, [f.date]: kept.record }
  })

const keep = (of: FollowUp, answers: AfterAnswers) =>
  tell(async () => {
    await ask('POST /dogs/{id}/answers', {
      params: { id: of.dogId },
      body: { said: { kind: 'after', date: of.date, answers } },
    })
    open.value = undefined
    again()
  })
</script>

<template>
  <section v-if="answer && answer.length > 0" class="follow basin" aria-labelledby="follow-title">
    <h2 id="follow-title">Ask how it went since</h2>
    <ul>
      <li v-for="f in answer" :key="f.visitId">
        <p>
          <strong>{{ f.name }}</strong>, {{ say.date(f.date, 'short') }}<template v-if="wasAsked(f)">, asked</template>
        </p>
        <p class="ways">
          <UiButton kind="link" @click="open = { of: f, what: 'message' }"
            >Message<span class="hidden"> to the owner of {{ f.name }}</span></UiButton
          >
          <a class="link" :href="`/api/dogs/${f.dogId}/card.html?date=${f.date}&kind=after`"
            >Card<span class="hidden"> for {{ f.name }}</span></a
          >
          <UiButton kind="link" @click="open = { of: f, what: 'answers' }"
            >Answers<span class="hidden"> about {{ f.name }}</span></UiButton
          >
        </p>
        <template v-if="open?.of.visitId === f.visitId">
          <OwnerMessage
            v-if="open.what === 'message'"
            :dog-id="f.dogId"
            :message="askAfterMessage(f, say)"
            noted
            @sent="noteAsked(f)"
            @close="open = undefined"
          />
          <AfterForm v-else :draft-key="`${f.dogId}.${f.date}`" @keep="keep(f, $event)" @leave="open = undefined" />
        </template>
      </li>
    </ul>
    <ProblemNote v-if="problem" :problem="problem" />
  </section>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 6px 0;
  border-top: 1px solid var(--rule2);
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
</style>
