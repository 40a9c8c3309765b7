<script setup lang="ts">
import { computed, ref } from 'vue'
import { addDays } from '@core/visit'
import { ownersOfDay, ticksSent, wasSent, type DayState, type ToldOwner, type WashDay } from '@core/washday'
import { reminderMessage, timesMessage } from '@words'
import OwnerMessage from '../../parts/OwnerMessage.vue'
import { deviceToday } from '../../parts/words'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiCheck from '../../ui/UiCheck.vue'

/** Whom to tell when to come: a message for each owner, and whether it was sent. */
const { day, state } = defineProps<{ day: WashDay; state: DayState }>()
const emit = defineEmits<{ tick: [ticks: string[]]; times: []; close: [] }>()
const say = useSay()

/** From the day before on it is a reminder. */
const kind = computed(() => (day.date <= addDays(deviceToday(), 1) ? 'reminder' : 'times'))
const owners = computed(() => ownersOfDay(state.seats, state.run))
const keyOf = (owner: ToldOwner) => owner.visits[0]!.seatId
const namesOf = (owner: ToldOwner) => say.list(owner.visits.map((v) => v.name))
const open = ref<string>()
const messageOf = ({ visits }: ToldOwner) =>
  (kind.value === 'reminder' ? reminderMessage : timesMessage)({ visits, date: day.date }, say)
const tick = (owner: ToldOwner, sent: boolean) => emit('tick', ticksSent(day, kind.value, owner, sent))
</script>

<template>
  <section class="basin" aria-labelledby="owners-list">
    <div class="head">
      <h2 id="owners-list">{{ kind === 'reminder' ? 'Remind the owners' : 'Tell the owners' }}</h2>
      <UiButton kind="link" @click="emit('close')">Close</UiButton>
    </div>
    <ul>
      <li v-for="owner in owners" :key="keyOf(owner)">
        <span
          ><strong>{{ owner.owner || namesOf(owner) }}</strong>
          <span v-if="owner.owner" class="soft names">{{ namesOf(owner) }}</span></span
        >
        <UiButton kind="link" @click="open = open === keyOf(owner) ? undefined : keyOf(owner)"
          >Message<span class="hidden"> to the owner of {{ namesOf(owner) }}</span></UiButton
        >
        <UiCheck :model-value="wasSent(day, kind, owner)" @update:model-value="tick(owner, $event)"
          >sent<span class="hidden"> to the owner of {{ namesOf(owner) }}</span></UiCheck
        >
        <OwnerMessage
          v-if="open === keyOf(owner)"
          class="write"
          :message="messageOf(owner)"
          :dog-id="owner.visits[0]!.dogId"
          :label="`Message to the owner of ${namesOf(owner)}`"
          noted
          @sent="tick(owner, true)"
          @close="open = undefined"
        />
      </li>
    </ul>
    <UiButton kind="link" @click="emit('times')">Find times that suit the work better</UiButton>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
  justify-content: space-between;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: center;
  padding: 5px 0;
  border-top: 1.5px solid var(--rule2);
}
li > :first-child {
  flex: 1;
  overflow-wrap: anywhere;
}
.names {
  margin-left: 8px;
}
.write {
  flex-basis: 100%;
}
</style>
