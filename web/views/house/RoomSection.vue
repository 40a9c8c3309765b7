<script setup lang="ts">
import { computed } from 'vue'
import UiFold from '../../ui/UiFold.vue'
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import type { House } from '@core/house'
import UiTime from '../../ui/UiTime.vue'
import UiAmount from '../../ui/UiAmount.vue'
import UiNumber from '../../ui/UiNumber.vue'
import { useSay } from '../../say'
import type { HouseErrors } from './errors'

const say = useSay()
const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })

const addPause = () =>
  house.value.pauses.push({
    name: 'Pause',
    minutes: 15,
    earliest: house.value.hours.from + 120,
    latest: house.value.hours.from + 240,
  })
/** What stands on a part that is folded up. */
const helps = computed(() => {
  const { name, from, to } = house.value.helper
  return `${name || 'A helper'}, when called in: ${say.clock(from)} to ${say.clock(to)}`
})
const inBrief = ({ name, minutes, earliest, latest }: House['pauses'][number]) =>
  `${name || 'Pause'}: ${say.minutes(minutes)}, begun from ${say.clock(earliest)} to ${say.clock(latest)}`
const air = computed(() => {
  const { room, space } = house.value
  return `Air: ${say.temperature(room.celsius, 0)}, ${say.number(room.humidity, 0)} %, changed ${say.number(space.airChanges, 1)} × an hour`
})
const wrong = (part: string) => Object.keys(errors).some((field) => field.startsWith(part))
</script>

<template>
  <section class="basin">
    <h2>Room and hours</h2>
    <div class="rows">
      <UiTime v-model="house.hours.from" label="Opens" :error="errors['hours.from']" />
      <UiTime v-model="house.hours.to" label="Closes" :error="errors['hours.to']" />
      <UiText v-model="house.name" label="Name" :error="errors.name" />
      <UiText v-model="house.groomer" label="Who works here" :error="errors.groomer" />
      <UiText
        v-model="house.contact"
        label="Telephone or mail"
        hint="On the slip and the letter to the vet."
        :error="errors.contact"
      />
    </div>
    <UiFold v-for="(pause, i) in house.pauses" :key="i" :title="inBrief(pause)" :open="wrong(`pauses[${i}].`)">
      <div class="rows">
        <UiText v-model="pause.name" label="Pause" :error="errors[`pauses[${i}].name`]" />
        <UiNumber v-model="pause.minutes" label="Minutes" :error="errors[`pauses[${i}].minutes`]" />
        <UiTime v-model="pause.earliest" label="Begins from" :error="errors[`pauses[${i}].earliest`]" />
        <UiTime v-model="pause.latest" label="At the latest" :error="errors[`pauses[${i}].latest`]" />
        <UiButton kind="link" class="low" @click="house.pauses.splice(i, 1)">
          Leave out<span class="hidden"> {{ pause.name }}</span>
        </UiButton>
      </div>
    </UiFold>
    <UiButton v-if="house.pauses.length < 5" kind="link" @click="addPause">Add a pause</UiButton>
    <UiFold :title="helps" :open="wrong('helper.')">
      <p class="soft">Called in on a day, for these hours.</p>
      <div class="rows">
        <UiText v-model="house.helper.name" label="Helper" :error="errors['helper.name']" />
        <UiTime v-model="house.helper.from" label="Helps from" :error="errors['helper.from']" />
        <UiTime v-model="house.helper.to" label="Helps until" :error="errors['helper.to']" />
      </div>
    </UiFold>
    <UiFold :title="air" :open="wrong('room.') || wrong('space.')">
      <p class="soft">Air and size say how damp the room gets and how fast coats dry.</p>
      <div class="rows">
        <UiAmount v-model="house.room.celsius" label="Room" quantity="temperature" :error="errors['room.celsius']" />
        <UiNumber v-model="house.room.humidity" label="Humidity, %" :error="errors['room.humidity']" />
        <UiAmount v-model="house.space.floorM2" quantity="area" label="Floor" :error="errors['space.floorM2']" />
        <UiAmount v-model="house.space.heightM" quantity="span" label="Height" :error="errors['space.heightM']" />
        <UiNumber
          v-model="house.space.airChanges"
          label="Air changes an hour, shut"
          :error="errors['space.airChanges']"
        />
        <UiNumber
          v-model="house.space.airChangesOpen"
          label="With a window open"
          :error="errors['space.airChangesOpen']"
        />
      </div>
    </UiFold>
  </section>
</template>
