<script setup lang="ts">
import UiTap from '../ui/UiTap.vue'
import UiButton from '../ui/UiButton.vue'
import { computed } from 'vue'
import { ZONES, type Dog, type Zone } from '@core/dog'
import { ZONE_NAMES } from '@words'
import ZoneDog from './ZoneDog.vue'

const { dog, label, words } = defineProps<{
  dog: Dog
  label: string
  /** The word for each score from 0; a tap goes to the next and round again. */
  words: readonly string[]
}>()
const scores = defineModel<Partial<Record<Zone, number>>>({ required: true })

const scoreOf = (zone: Zone) => scores.value[zone] ?? 0
const depth = computed(() => Object.fromEntries(ZONES.map((z) => [z, scoreOf(z) / (words.length - 1)])))
const any = computed(() => ZONES.some((z) => scoreOf(z) > 0))

function next(zone: Zone) {
  const score = (scoreOf(zone) + 1) % words.length
  const rest = Object.fromEntries(Object.entries(scores.value).filter(([z]) => z !== zone))
  scores.value = score === 0 ? rest : { ...rest, [zone]: score }
}
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <div class="both">
      <ZoneDog :dog="dog" :depth="depth" :title="`${label} by zone; darker is more`" clickable @zone="next" />
      <div class="zones">
        <UiTap v-for="zone in ZONES" :key="zone" :class="{ on: scoreOf(zone) > 0 }" @click="next(zone)">
          <span>{{ ZONE_NAMES[zone] }}</span>
          <b>{{ words[scoreOf(zone)] }}</b>
        </UiTap>
      </div>
    </div>
    <UiButton v-if="any" kind="link" @click="scores = {}">None anywhere</UiButton>
  </fieldset>
</template>

<style scoped>
fieldset {
  container-type: inline-size;
}
.both {
  display: grid;
  gap: 10px;
}
.zones {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
  gap: 6px;
}
.zones button {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  justify-content: center;
  min-height: 50px;
  padding: 3px 10px;
  border: 1.5px solid var(--edge);
  border-radius: 3px 3px 11px 11px;
  background: var(--enamel);
  color: var(--ink);
  font: 400 13.5px/1.25 var(--text);
  text-align: left;
  cursor: pointer;
}
.zones button.on {
  border-color: var(--rim);
  border-top-width: 4px;
  background: var(--rim-tint);
}
.zones b {
  font-size: 14.5px;
}
@container (min-width: 560px) {
  .both {
    grid-template-columns: 240px minmax(0, 1fr);
    align-items: center;
  }
}
</style>
