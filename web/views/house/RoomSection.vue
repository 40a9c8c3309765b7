<script setup lang="ts">
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import type { House } from '@core/house'
import UiTime from '../../ui/UiTime.vue'
import UiAmount from '../../ui/UiAmount.vue'
import UiNumber from '../../ui/UiNumber.vue'
import type { HouseErrors } from './draft'

const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })

const addPause = () =>
  house.value.pauses.push({
    name: 'Pause',
    minutes: 15,
    earliest: house.value.hours.from + 120,
    latest: house.value.hours.from + 240,
  })
</script>

<template>
  <section class="basin">
    <h2>Room and hours</h2>
    <p class="soft">
      Hours and pauses shape every new day; air and size say how damp the room gets and how fast coats dry.
    </p>
    <div class="rows">
      <UiText v-model="house.name" label="Name" :error="errors.name" />
      <UiText v-model="house.groomer" label="Who works here" :error="errors.groomer" />
      <UiText
        v-model="house.contact"
        label="Telephone or mail"
        hint="On the slip and the letter to the vet."
        :error="errors.contact"
      />
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
    <div class="rows">
      <UiTime v-model="house.hours.from" label="Opens" :error="errors['hours.from']" />
      <UiTime v-model="house.hours.to" label="Closes" :error="errors['hours.to']" />
      <UiText
        v-model="house.helper.name"
        label="Helper"
        :error="errors['helper.name']"
        hint="Called in on a day, for these hours."
      />
      <UiTime v-model="house.helper.from" label="Helps from" :error="errors['helper.from']" />
      <UiTime v-model="house.helper.to" label="Helps until" :error="errors['helper.to']" />
      <UiText
        v-model="house.timeZone"
        label="Time zone"
        :error="errors.timeZone"
        hint="As calendars name it, “Europe/Lisbon”; empty: this computer’s."
      />
    </div>
    <div v-for="(pause, i) in house.pauses" :key="i" class="rows">
      <UiText v-model="pause.name" label="Pause" :error="errors[`pauses[${i}].name`]" />
      <UiNumber v-model="pause.minutes" label="Minutes" :error="errors[`pauses[${i}].minutes`]" />
      <UiTime v-model="pause.earliest" label="Begins from" :error="errors[`pauses[${i}].earliest`]" />
      <UiTime v-model="pause.latest" label="At the latest" :error="errors[`pauses[${i}].latest`]" />
      <UiButton kind="link" class="low" @click="house.pauses.splice(i, 1)">
        Leave out<span class="hidden"> {{ pause.name }}</span>
      </UiButton>
    </div>
    <UiButton v-if="house.pauses.length < 5" kind="link" @click="addPause">Add a pause</UiButton>
  </section>
</template>
