<script setup lang="ts">
import { Input } from 'ant-design-vue'
import type { House } from '../../../core/house'
import ClockField from '../../parts/ClockField.vue'
import FieldBox from '../../parts/FieldBox.vue'
import AmountField from '../../parts/AmountField.vue'
import NumberField from '../../parts/NumberField.vue'
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
      <FieldBox label="Name" for-id="house-name" :error="errors.name"
        ><Input id="house-name" v-model:value="house.name"
      /></FieldBox>
      <FieldBox label="Who works here" for-id="house-groomer" :error="errors.groomer"
        ><Input id="house-groomer" v-model:value="house.groomer"
      /></FieldBox>
      <AmountField v-model="house.room.celsius" label="Room" quantity="temperature" :error="errors['room.celsius']" />
      <NumberField v-model="house.room.humidity" label="Humidity, %" :error="errors['room.humidity']" />
      <AmountField v-model="house.space.floorM2" quantity="area" label="Floor" :error="errors['space.floorM2']" />
      <AmountField v-model="house.space.heightM" quantity="span" label="Height" :error="errors['space.heightM']" />
      <NumberField
        v-model="house.space.airChanges"
        label="Air changes an hour, shut"
        :error="errors['space.airChanges']"
      />
      <NumberField
        v-model="house.space.airChangesOpen"
        label="With a window open"
        :error="errors['space.airChangesOpen']"
      />
    </div>
    <div class="rows">
      <ClockField v-model="house.hours.from" label="Opens" :error="errors['hours.from']" />
      <ClockField v-model="house.hours.to" label="Closes" :error="errors['hours.to']" />
      <FieldBox
        label="Helper"
        for-id="helper-name"
        :error="errors['helper.name']"
        hint="Called in on a day, for these hours."
        ><Input id="helper-name" v-model:value="house.helper.name"
      /></FieldBox>
      <ClockField v-model="house.helper.from" label="Helps from" :error="errors['helper.from']" />
      <ClockField v-model="house.helper.to" label="Helps until" :error="errors['helper.to']" />
      <FieldBox
        label="Time zone"
        for-id="time-zone"
        :error="errors.timeZone"
        hint="As calendars name it, “Europe/Lisbon”; empty: this computer’s."
        ><Input id="time-zone" v-model:value="house.timeZone"
      /></FieldBox>
    </div>
    <div v-for="(pause, i) in house.pauses" :key="i" class="rows">
      <FieldBox label="Pause" :for-id="`pause-${i}`" :error="errors[`pauses[${i}].name`]"
        ><Input :id="`pause-${i}`" v-model:value="pause.name"
      /></FieldBox>
      <NumberField v-model="pause.minutes" label="Minutes" :error="errors[`pauses[${i}].minutes`]" />
      <ClockField v-model="pause.earliest" label="Begins from" :error="errors[`pauses[${i}].earliest`]" />
      <ClockField v-model="pause.latest" label="At the latest" :error="errors[`pauses[${i}].latest`]" />
      <button type="button" class="link low" @click="house.pauses.splice(i, 1)">
        Leave out<span class="hidden"> {{ pause.name }}</span>
      </button>
    </div>
    <button v-if="house.pauses.length < 5" type="button" class="link" @click="addPause">Add a pause</button>
  </section>
</template>
