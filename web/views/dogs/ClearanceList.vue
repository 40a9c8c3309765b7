<script setup lang="ts">
import UiDate from '../../ui/UiDate'
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import { reactive, ref } from 'vue'
import { fieldErrors } from '@contract'
import { Clearance, ClearanceCover } from '@core/dog'
import UiChoice from '../../ui/UiChoice.vue'
import UiField from '../../ui/UiField.vue'
import { deviceToday } from '../../parts/words'
import { useSay } from '../../say'

const say = useSay()

const clearances = defineModel<Clearance[]>({ required: true })
const blank = () => ({ by: '', on: deviceToday(), covers: 'left ear' as ClearanceCover, until: '' })
const draft = reactive(blank())
const errors = ref<Record<string, string>>({})

function add() {
  const parsed = Clearance.safeParse(draft)
  errors.value = parsed.success ? {} : Object.fromEntries(fieldErrors(parsed.error).map((e) => [e.field, e.message]))
  if (!parsed.success) return
  clearances.value = [...clearances.value, parsed.data]
  Object.assign(draft, blank())
}
</script>

<template>
  <section class="basin" aria-labelledby="clearance-title">
    <h2 id="clearance-title">A vet’s word</h2>
    <p class="soft small">Only this lifts a stop, for what it covers and until its date.</p>
    <ul>
      <li v-for="(c, i) in clearances" :key="i">
        <span>
          <b>{{ c.covers }}</b>: {{ c.by }}, {{ say.date(c.on) }}, until {{ say.date(c.until) }}
        </span>
        <UiButton kind="link" @click="clearances = clearances.filter((_, k) => k !== i)">Take out</UiButton>
      </li>
    </ul>
    <div class="grid">
      <UiText v-model="draft.by" label="Who said it" :error="errors.by" />
      <UiField label="When" for-id="clear-on" :error="errors.on">
        <UiDate id="clear-on" v-model="draft.on" :invalid="!!errors.on" />
      </UiField>
      <UiField label="Until" for-id="clear-until" :error="errors.until">
        <UiDate id="clear-until" v-model="draft.until" :invalid="!!errors.until" />
      </UiField>
    </div>
    <UiChoice
      v-model="draft.covers"
      label="It covers"
      :options="ClearanceCover.options.map((value) => ({ value, text: value }))"
    />
    <UiButton kind="link" @click="add">Add this word</UiButton>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 12px 16px;
}
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
.link {
  justify-self: start;
}
</style>
