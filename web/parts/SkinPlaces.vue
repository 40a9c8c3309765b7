<script setup lang="ts">
import UiButton from '../ui/UiButton.vue'
import { computed, ref, watch } from 'vue'
import { Skin, SIDED_ZONES, ZONES, type Dog, type Side, type SkinPlace, type Zone } from '@core/dog'
import { placeText, SKIN_NAMES } from '@words'
import UiChoice from '../ui/UiChoice.vue'
import ZoneDog from './ZoneDog.vue'
import ZoneTaps from './ZoneTaps.vue'

const { dog } = defineProps<{ dog: Dog }>()
/** What the skin is like in places, beside what it is like all over. */
const places = defineModel<SkinPlace[]>({ required: true })

/** The body is drawn once something is in a place, or is to be. */
const open = ref(places.value.length > 0)
watch(places, (now) => (open.value ||= now.length > 0))

const zone = ref<Zone>()
const side = ref<Side>('both')
const SIDES = [
  { value: 'both', text: 'both sides' },
  { value: 'left', text: 'left' },
  { value: 'right', text: 'right' },
] as const
const kinds = Skin.options.map((value) => ({ value, text: SKIN_NAMES[value] }))
const depth = computed(() =>
  Object.fromEntries(
    ZONES.map((z) => [z, places.value.some((p) => p.zone === z) ? 0.85 : z === zone.value ? 0.35 : 0]),
  ),
)
const sided = computed(() => zone.value !== undefined && SIDED_ZONES.includes(zone.value))
const here = computed(() => places.value.find((p) => p.zone === zone.value && p.side === side.value))

function choose(tapped: Zone) {
  zone.value = tapped
  side.value = places.value.find((p) => p.zone === tapped)?.side ?? 'both'
}
function put(skin: readonly Skin[]) {
  if (!zone.value) return
  const own = { zone: zone.value, side: side.value }
  const others = places.value.filter((p) => !(p.zone === own.zone && p.side === own.side))
  places.value = skin.length > 0 ? [...others, { ...own, skin: [...skin] }] : others
}
const remove = (place: SkinPlace) => (places.value = places.value.filter((p) => p !== place))
</script>

<template>
  <fieldset class="places">
    <legend :class="{ hidden: !open }">Skin in places</legend>
    <UiButton v-if="!open" kind="link" @click="open = true">Only in a place: show where</UiButton>
    <div v-else class="both">
      <ZoneDog :dog="dog" :depth="depth" title="Skin in places; darker has something" clickable @zone="choose" />
      <div>
        <ZoneTaps class="zones" :on="zone ? [zone] : []" @zone="choose" />
        <template v-if="zone">
          <UiChoice v-if="sided" v-model="side" label="Which side" :options="SIDES" />
          <UiChoice
            :model-value="here?.skin ?? []"
            many
            :label="`Skin, ${placeText(zone, sided ? side : 'both')}`"
            :options="kinds"
            @update:model-value="put($event as Skin[])"
          />
        </template>
        <p v-else class="soft small">Tap the place. What follows there, follows there only.</p>
      </div>
    </div>
    <ul v-if="places.length > 0">
      <li v-for="p in places" :key="`${p.zone} ${p.side}`">
        <b>{{ placeText(p.zone, p.side) }}</b>: {{ p.skin.map((s) => SKIN_NAMES[s]).join(', ') }}
        <UiButton kind="link" @click="remove(p)">
          Take away<span class="hidden">: {{ placeText(p.zone, p.side) }}</span>
        </UiButton>
      </li>
    </ul>
  </fieldset>
</template>

<style scoped>
fieldset {
  container-type: inline-size;
}
.both {
  display: grid;
  gap: 10px 16px;
}
fieldset fieldset {
  margin-bottom: 8px;
}
.zones {
  margin-bottom: 8px;
}
li {
  padding: 4px 0;
}
@container (min-width: 560px) {
  .both {
    grid-template-columns: 260px 1fr;
    align-items: start;
  }
}
</style>
