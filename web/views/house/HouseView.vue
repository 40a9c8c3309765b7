<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { computed, ref, shallowRef, watch } from 'vue'
import type { StoredHouse } from '../../../contract'
import { fieldErrors } from '../../../contract'
import { House } from '../../../core/house'
import type { Method } from '../../../core/mix'
import type { OwnSchools } from '../../../core/schools'
import { say } from '../../../core/units'
import { api, asProblem, type ApiProblem } from '../../api'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import FieldBox from '../../parts/FieldBox.vue'
import OwnRules from '../../parts/OwnRules.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { typedNumber } from '../../parts/words'
import { useRoom } from '../../stores/room'

const room = useRoom()
const stored = shallowRef<StoredHouse>()
const problem = ref<ApiProblem>()
const newer = shallowRef<StoredHouse>()
const saving = ref(false)
const saved = ref(false)
const errors = ref<Record<string, string>>({})
const rules = ref<OwnSchools>({})
const height = ref('')
const ramp = ref(false)
const kind = ref<House['protector']['kind']>('none')
const nrr = ref('')
const method = ref<Method>('bottle')

function show(house: StoredHouse) {
  newer.value = undefined
  stored.value = house
  rules.value = { ...house.record.schools }
  height.value = say(house.record.tub.heightCm)
  ramp.value = house.record.tub.ramp
  method.value = house.record.method
  kind.value = house.record.protector.kind
  nrr.value = say(house.record.protector.nrr)
}
async function open() {
  problem.value = undefined
  try {
    show(await api<StoredHouse>('GET', '/house'))
  } catch (error) {
    problem.value = asProblem(error)
  }
}
void open()

/** After a conflict: what this form holds goes over what the other one saved; the rest of the house stays theirs. */
function saveMine() {
  stored.value = newer.value
  newer.value = undefined
  void save()
}

watch([rules, method, height, ramp, kind, nrr], () => (saved.value = false), { deep: true })

async function save() {
  if (!stored.value) return
  const parsed = House.safeParse({
    ...stored.value.record,
    schools: rules.value,
    method: method.value,
    tub: { heightCm: typedNumber(height.value), ramp: ramp.value },
    protector: { kind: kind.value, nrr: typedNumber(nrr.value) },
  })
  errors.value = parsed.success ? {} : Object.fromEntries(fieldErrors(parsed.error).map((e) => [e.field, e.message]))
  if (!parsed.success) return
  saving.value = true
  problem.value = undefined
  try {
    show(await api<StoredHouse>('PUT', '/house', { version: stored.value.version, record: parsed.data }))
    await room.load()
    saved.value = true
  } catch (error) {
    problem.value = asProblem(error)
    if (problem.value.status === 409) newer.value = (problem.value.body as { current: StoredHouse }).current
  } finally {
    saving.value = false
  }
}

const chosen = computed(() => Object.keys(rules.value).length)
const METHODS = [
  { value: 'bottle', text: 'marked bottle' },
  { value: 'spray', text: 'spray bottle' },
  { value: 'froth', text: 'froth bowl' },
  { value: 'proportioner', text: 'proportioner in the hose' },
] as const
const KINDS = [
  { value: 'none', text: 'none' },
  { value: 'earmuff', text: 'earmuffs' },
  { value: 'foam', text: 'foam plugs' },
  { value: 'other', text: 'other plugs' },
] as const
</script>

<template>
  <div class="head">
    <h1>House</h1>
    <p class="soft">
      {{ chosen === 0 ? 'All rules as usual.' : `${chosen} of 18 rules are your own.` }} A dog’s own rule goes before
      these; a stop goes before all.
    </p>
  </div>
  <ProblemNote v-if="problem" :problem="problem">
    <button v-if="newer" class="link gap" type="button" @click="saveMine">Save mine over it</button>
    <button class="link" type="button" @click="open">Load the stored one</button>
  </ProblemNote>
  <p v-if="!stored && !problem" class="soft">Fetching the house</p>
  <form v-if="stored" novalidate @submit.prevent="save">
    <OwnRules
      v-model="rules"
      house
      title="Rules"
      hint="Good people differ here. The usual choice stands first, with its reason."
    />
    <section class="basin">
      <ChoiceRow v-model="method" label="How the mix is put on" :options="METHODS" />
    </section>
    <section class="basin body">
      <h2>Your ears and back</h2>
      <div class="rows">
        <ChoiceRow v-model="kind" label="On your ears while drying" :options="KINDS" />
        <FieldBox label="Its printed rating, dB" for-id="nrr" :error="errors['protector.nrr']"
          ><Input id="nrr" v-model:value="nrr" inputmode="decimal" :status="errors['protector.nrr'] ? 'error' : ''"
        /></FieldBox>
        <FieldBox label="Height the dog is lifted, cm" for-id="height" :error="errors['tub.heightCm']"
          ><Input
            id="height"
            v-model:value="height"
            inputmode="decimal"
            :status="errors['tub.heightCm'] ? 'error' : ''"
        /></FieldBox>
        <ChoiceRow
          v-model="ramp"
          label="Ramp or steps into the tub"
          :options="[
            { value: false, text: 'no' },
            { value: true, text: 'yes' },
          ]"
        />
      </div>
    </section>
    <div class="foot">
      <button class="button" type="submit" :disabled="saving">Save the house</button>
      <p v-if="saved" class="done" role="status">Saved.</p>
    </div>
  </form>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 18px;
  margin-bottom: 12px;
}
form {
  display: grid;
  gap: 14px;
}
.rows {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 28px;
  margin-top: 10px;
}
.foot {
  position: sticky;
  bottom: 0;
  display: flex;
  align-items: center;
  gap: 16px;
  padding: 12px 0;
  background: var(--ground);
}
.gap {
  margin-right: 20px;
}
.done {
  color: var(--ok);
  font-weight: 700;
}
</style>
