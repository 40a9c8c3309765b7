<script setup lang="ts">
import type { House } from '@core/house'
import { choicesOf } from '@core/visit'
import { capital, choiceWords, skinWords } from '@words'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'
import UiButton from '../../ui/UiButton.vue'

const house = defineModel<House>({ required: true })
const say = useSay()
const room = useRoom()
const names = {
  product: (id: string) => room.shelf.find((p) => p.id === id)?.name ?? 'a product no longer here',
  step: (id: string) => capital(id.replaceAll('-', ' ')),
}
const when = ({ skin, coat }: House['habits'][number]) => (skin ? skinWords(skin) : `a ${coat} coat`)
</script>

<template>
  <section class="basin">
    <h2>Habits</h2>
    <p class="soft">
      What is always done one way when something is so. A habit begins on a recipe: do it your way there, then choose
      for how long it goes.
    </p>
    <p v-if="house.habits.length === 0">None yet.</p>
    <ul>
      <li v-for="(habit, i) in house.habits" :key="habit.id">
        <span>
          <b>Always on {{ when(habit) }}</b
          >:
          {{ say.list(choicesOf(habit.way).map((c) => choiceWords(c, say, names))) }}
        </span>
        <UiButton kind="link" @click="house.habits.splice(i, 1)">
          Take it away<span class="hidden">: {{ when(habit) }}</span>
        </UiButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  justify-content: space-between;
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}
</style>
