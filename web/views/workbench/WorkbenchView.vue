<script setup lang="ts">
import { ref } from 'vue'
import { CoatType, Dog, EarCarriage, Shade } from '@core/dog'
import { coatWords, HOW_TO } from '@words'
import ZoneDog from '../../parts/ZoneDog.vue'
import HowToPicture from '../../parts/HowToPicture.vue'
import { drawDog } from '../../drawing/figure'
import { drawHowTo } from '../../drawing/howTo'
import type { HowTo } from '@core/tubside'
import CoatSwatch from '../../parts/CoatSwatch.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import StateMark from '../../parts/StateMark.vue'
import { ApiProblem } from '../../api/client'
import { useTheme } from '../../ui/theme'
import { useToast } from '../../ui/toast'
import UiAmount from '../../ui/UiAmount.vue'
import UiAmountText from '../../ui/UiAmountText.vue'
import UiButton from '../../ui/UiButton.vue'
import UiCheck from '../../ui/UiCheck.vue'
import UiChoice from '../../ui/UiChoice.vue'
import UiConfirm from '../../ui/UiConfirm.vue'
import UiDate from '../../ui/UiDate'
import UiDrawer from '../../ui/UiDrawer.vue'
import UiField from '../../ui/UiField.vue'
import UiFold from '../../ui/UiFold.vue'
import UiNumber from '../../ui/UiNumber.vue'
import UiPick from '../../ui/UiPick.vue'
import UiProgress from '../../ui/UiProgress.vue'
import UiSelect from '../../ui/UiSelect.vue'
import UiTable from '../../ui/UiTable.vue'
import UiTap from '../../ui/UiTap.vue'
import UiText from '../../ui/UiText.vue'
import UiTime from '../../ui/UiTime.vue'
import UiTubButton from '../../ui/UiTubButton.vue'
import UiUpload from '../../ui/UiUpload.vue'
import UiWaiting from '../../ui/UiWaiting.vue'

import '../../ui/tub.css'

const toast = useToast()
const { scheme } = useTheme()

const LONG = 'A name of sixty letters that somebody gave their dog, truly so'
const ERROR = 'Give the weight from 0.5 kg to 100 kg.'
const HINT = 'Usually 16 kg to 30 kg'
const text = ref('Moss')
const empty = ref('')
const number = ref(12)
const degrees = ref(20)
const weight = ref('7')
const minute = ref(545)
const date = ref('2026-11-28')
const chosen = ref('b')
const nothing = ref<string>()
const typed = ref('Sam')
const some = ref(['a'])
const on = ref(true)
const off = ref(false)
const file = ref('')
const sheet = ref(false)
const options = ['a', 'b', 'c'].map((value) => ({ value, text: `choice ${value}` }))
const picks = [{ value: 'Samoyed', beside: 'long double' }, { value: LONG }]
const columns = [
  { key: 'dog', title: 'Dog' },
  { key: 'min', title: 'Minutes' },
]
const rows = [
  { dog: 'Moss', min: '64' },
  { dog: LONG, min: '352' },
]
const problem = new ApiProblem(0, 'No connection', 'The server can’t be reached. What you typed is still here.')
const coats = CoatType.options.map((coat, i) => Dog.parse({ name: coatWords(coat), weightKg: 12, coat, colour: i % 8 }))
const bodies = (<Partial<Dog>[]>[
  ...CoatType.options.map((coat, i) => ({
    coat,
    earCarriage: EarCarriage.options[i % 3],
    shade: Shade.options[i % 7],
  })),
  { coat: 'long double', breed: 'Samoyed', earCarriage: 'erect' },
  { coat: 'long double', breed: 'Newfoundland', earCarriage: 'drop' },
  { coat: 'smooth', breed: 'Pug', folds: true, shortNose: true, earCarriage: 'drop' },
  { coat: 'smooth', breed: 'Dachshund, smooth', earCarriage: 'drop', shade: 'brown' },
  { coat: 'feathered', breed: 'Irish Setter', earCarriage: 'drop' },
  { coat: 'drop', breed: 'Yorkshire Terrier', earCarriage: 'erect', topknot: true },
]).map((facts) => Dog.parse({ weightKg: 12, name: facts.breed ?? coatWords(facts.coat!), ...facts }))
const drawn = [...(Object.keys(HOW_TO) as HowTo[]), 'massageEar', 'wipeEar', 'lookEar'] as const
const hands = drawn.flatMap((what, i) => {
  const dog = bodies[i % bodies.length]!
  const drawing = drawHowTo(what, drawDog('left', dog).places!)
  return drawing ? [{ what, dog, drawing }] : []
})
</script>

<template>
  <div class="bench">
    <h1>Workbench</h1>
    <UiChoice
      v-model="scheme"
      label="Colours"
      :options="['system', 'light', 'dark'].map((v) => ({ value: v as 'dark', text: v }))"
    />

    <section class="basin">
      <h2>Buttons</h2>
      <p class="row">
        <UiButton kind="primary">Primary</UiButton><UiButton kind="primary" disabled>Can’t be done</UiButton>
        <UiButton kind="primary" busy>Under way</UiButton><UiButton>Plain</UiButton><UiButton disabled>Plain</UiButton>
        <UiButton kind="link">Link</UiButton><UiButton kind="link" disabled>Link</UiButton><UiTap>Tap</UiTap>
        <UiConfirm question="Delete the record of Moss? It comes off Saturday 28 November." yes="Delete" no="Keep">
          <UiButton kind="link">Asks first</UiButton>
        </UiConfirm>
        <UiButton kind="link" @click="toast.said('Kept.')">Says</UiButton>
        <UiButton kind="link" @click="toast.undone('Moss is deleted.', async () => 'Moss is back.')"
          >Can be undone</UiButton
        >
      </p>
      <div class="tub">
        <p class="choices">
          <UiTubButton kind="primary">Done: rinse next</UiTubButton><UiTubButton>Belly</UiTubButton>
          <UiTubButton on>Back</UiTubButton><UiTubButton kind="damp">Damp here</UiTubButton>
          <UiTubButton kind="quiet">Leave</UiTubButton><UiTubButton disabled>Not yet</UiTubButton>
        </p>
      </div>
    </section>

    <section class="basin">
      <h2>Fields</h2>
      <div class="fields">
        <UiText v-model="text" label="Text" /><UiText v-model="text" label="With a hint" :hint="HINT" />
        <UiText v-model="empty" label="Wrong" :error="ERROR" /><UiText v-model="text" label="Several lines" :rows="3" />
        <UiText v-model="text" :label="LONG" clearable /><UiText v-model="text" label="Not now" disabled />
        <UiNumber v-model="number" label="Number" /><UiNumber v-model="number" label="Wrong number" :error="ERROR" />
        <UiAmount v-model="degrees" label="Room" quantity="temperature" />
        <UiAmountText v-model="weight" label="Weight" quantity="weight" :hint="HINT" />
        <UiTime v-model="minute" label="Comes" /><UiTime v-model="minute" label="Wrong time" :error="ERROR" />
        <UiField label="Date" for-id="bench-date"><UiDate id="bench-date" v-model="date" /></UiField>
        <UiField label="Date, wrong" for-id="bench-date-2" :error="ERROR"
          ><UiDate id="bench-date-2" v-model="empty" clearable invalid
        /></UiField>
        <UiField label="One of some" for-id="bench-select"
          ><UiSelect id="bench-select" v-model="chosen" :options="options"
        /></UiField>
        <UiField label="None yet, wrong" for-id="bench-select-2" :error="ERROR"
          ><UiSelect id="bench-select-2" v-model="nothing" :options="options" invalid
        /></UiField>
        <UiField label="Anything, some known" for-id="bench-pick"
          ><UiPick id="bench-pick" v-model="typed" label="Known ones" :options="picks"
        /></UiField>
      </div>
      <UiChoice v-model="chosen" label="One of a few" :options="options" />
      <UiChoice v-model="some" many label="Any of a few" :options="options" />
      <p class="row">
        <UiCheck v-model="on">On</UiCheck><UiCheck v-model="off">Off</UiCheck
        ><UiCheck v-model="on" disabled>Fixed</UiCheck>
      </p>
      <UiUpload label="File" accept=".ics" @file="file = $event.name">{{
        file || 'Drop a file here, or choose one'
      }}</UiUpload>
    </section>

    <section class="basin">
      <h2>What stands and what waits</h2>
      <UiTable label="Table" :columns="columns" :rows="rows" :row-key="(r) => r.dog">
        <template #cell="{ column, row }">{{ row[column.key as 'dog'] }}</template>
      </UiTable>
      <UiTable label="Empty table" :columns="columns" :rows="[]" :row-key="() => ''"><template #cell /></UiTable>
      <UiButton @click="sheet = true">From below</UiButton>
      <UiDrawer v-model="sheet" title="From below"
        ><div class="basin"><UiText v-model="text" label="Text" /></div
      ></UiDrawer>
      <UiFold title="Folded">What is in it.</UiFold>
      <UiFold title="Open" open>What is in it.</UiFold>
      <UiProgress :share="0" label="Nothing yet" /><UiProgress :share="0.4" label="On the way" /><UiProgress
        :share="1"
        label="Done"
      />
      <UiWaiting label="Fetching" />
      <ProblemNote :problem="problem"><UiButton kind="link">Try again</UiButton></ProblemNote>
    </section>

    <section class="basin">
      <h2>Marks and coats</h2>
      <p class="row">
        <span v-for="state in ['ok', 'watch', 'stop'] as const" :key="state"
          ><StateMark :state="state" :size="28" /> {{ state }}</span
        >
      </p>
      <p class="row">
        <span v-for="dog in coats" :key="dog.name" class="coat"
          ><CoatSwatch :dog="dog" :dog-id="dog.name" :width="90" :height="70" />{{ dog.name }}</span
        >
      </p>
      <div class="bodies hands">
        <figure v-for="h in hands" :key="h.what">
          <HowToPicture :dog="h.dog" :drawing="h.drawing" :title="h.what" />
          <figcaption>{{ h.what }}</figcaption>
        </figure>
      </div>
      <div class="bodies">
        <figure v-for="dog in bodies" :key="dog.name">
          <ZoneDog :dog="dog" :title="dog.name" :depth="{ hindlegs: 1, tail: 0.3 }" />
          <figcaption>{{ dog.name }}</figcaption>
        </figure>
      </div>
    </section>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  gap: 16px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin: 8px 0;
}
.bodies {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 12px;
  margin-bottom: 12px;
}
.tub {
  min-height: 0;
}
.coat {
  display: grid;
  max-width: 90px;
  font-size: 13px;
}
</style>
