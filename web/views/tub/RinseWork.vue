<script setup lang="ts">
import UiTubButton from '../../ui/UiTubButton.vue'
import { computed } from 'vue'
import { passOver } from '@core/rinse'
import { rinseState } from '@core/tubside'
import type { Tub } from './useTub'
import { capital, PASS_OVER, soapPlaceText } from '@words'

const { tub } = defineProps<{ tub: Tub }>()

const rinse = computed(() => rinseState(tub.record.value, tub.visit.value!.plan, tub.visit.value!.inputs.dog))
const pass = computed(() => rinse.value.done + 1)
const passText = computed(() => {
  const { again, of } = rinse.value
  return again ? `${capital(soapPlaceText(again.place))}: rinsed again` : `Pass ${pass.value} of ${of} done`
})
const passDone = () => tub.tap({ kind: 'rinsed', pass: Math.min(12, pass.value) })
</script>

<template>
  <div v-if="rinse.feel || rinse.clean" class="choices">
    <UiTubButton :on="rinse.clean" @click="!rinse.clean && tub.tap({ kind: 'fingers', slippery: null })">
      Nothing slippery
    </UiTubButton>
    <template v-if="!rinse.clean">
      <UiTubButton
        v-for="p in rinse.places"
        :key="p.zone"
        kind="damp"
        @click="tub.tap({ kind: 'fingers', slippery: p.zone })"
      >
        <span class="hidden">Slippery: </span>{{ capital(soapPlaceText(p.place)) }}
      </UiTubButton>
    </template>
  </div>
  <div v-else class="choices">
    <UiTubButton @click="passDone">
      {{ passText }}<template v-if="!rinse.again">: {{ PASS_OVER[passOver(pass, rinse.of)] }}</template>
    </UiTubButton>
  </div>
</template>
