<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import StateMark from '../../parts/StateMark.vue'
import { pairOf } from '../../drawing/colours'
import { useAsk } from '../../api/queries'
import { useSay } from '../../say'

const say = useSay()

const { answer: visits, problem, again } = useAsk('GET /visits', {})
</script>

<template>
  <h1>Saved recipes</h1>
  <ProblemNote v-if="problem" :problem="problem">
    <UiButton kind="link" @click="again">Try again</UiButton>
  </ProblemNote>
  <UiWaiting v-else-if="!visits" label="Fetching the recipes" :rows="6" />
  <p v-else-if="visits.length === 0" class="empty">
    None saved yet.
    <RouterLink class="link" to="/dogs">Choose a dog</RouterLink>
    and keep its recipe.
  </p>
  <ul v-else>
    <li v-for="visit in visits" :key="visit.id">
      <RouterLink :to="`/recipes/${visit.id}`">
        <span class="name" :style="{ color: pairOf(visit).stroke }">{{ visit.dogName }}</span>
        <span>{{ say.date(visit.date) }}</span>
        <span class="soft">{{ say.minutes(visit.minutes) }}</span>
        <span class="stop">
          <template v-if="visit.stops">
            <StateMark state="stop" :size="20" />
            {{ visit.stops === 1 ? 'a stop' : `${visit.stops} stops` }}
          </template>
        </span>
      </RouterLink>
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin-top: 12px;
}
li {
  border-top: 1px solid var(--rule);
}
li a {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 240px 80px 110px;
  gap: 16px;
  align-items: center;
  min-height: 56px;
  color: inherit;
  text-decoration: none;
}
li a:hover .name {
  text-decoration: underline;
}
.name {
  font: 600 21px/1.2 var(--display);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.stop {
  display: flex;
  gap: 7px;
  align-items: center;
  color: var(--stop);
  font-weight: 700;
}
.empty {
  padding: 28px 0;
  font-size: 16px;
}
@media (max-width: 760px) {
  li a {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px 16px;
    padding: 8px 0;
  }
}
</style>
