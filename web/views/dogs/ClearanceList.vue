<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { reactive, ref } from 'vue'
import { fieldErrors } from '../../../contract'
import { Clearance, ClearanceCover } from '../../../core/dog'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import FieldBox from '../../parts/FieldBox.vue'
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
        <button class="link" type="button" @click="clearances = clearances.filter((_, k) => k !== i)">Take out</button>
      </li>
    </ul>
    <div class="grid">
      <FieldBox label="Who said it" for-id="clear-by" :error="errors.by">
        <Input id="clear-by" v-model:value="draft.by" />
      </FieldBox>
      <FieldBox label="When" for-id="clear-on" :error="errors.on">
        <input id="clear-on" v-model="draft.on" type="date" class="date" />
      </FieldBox>
      <FieldBox label="Until" for-id="clear-until" :error="errors.until">
        <input id="clear-until" v-model="draft.until" type="date" class="date" />
      </FieldBox>
    </div>
    <ChoiceRow
      v-model="draft.covers"
      label="It covers"
      :options="ClearanceCover.options.map((value) => ({ value, text: value }))"
    />
    <button class="link" type="button" @click="add">Add this word</button>
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
