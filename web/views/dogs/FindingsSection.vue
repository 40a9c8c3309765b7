<script setup lang="ts">
import UiDate from '../../ui/UiDate'
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, nextTick, reactive, ref, useTemplateRef } from 'vue'
import { fieldErrors, type StoredFinding } from '@contract'
import { BodyView, Finding, FindingKind, findingStory, Sighting, type Zone, ZONES, type Dog } from '@core/dog'
import { ask, asProblem, type ApiProblem } from '../../api/client'
import { useAsk } from '../../api/queries'
import { drawDog } from '../../drawing/figure'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday, typedNumber } from '../../parts/words'
import PhotoRow from '../../parts/PhotoRow.vue'
import SizeSlide from '../../parts/SizeSlide.vue'
import UiCamera from '../../ui/UiCamera.vue'
import { keepPhoto } from '../../api/photos'
import BodyMap, { type PinPlace } from '../../parts/BodyMap.vue'
import { ZONE_NAMES, capital, findingText, findingTitle } from '@words'
import { useSay } from '../../say'
import { useToast } from '../../ui/toast'

const say = useSay()
const toast = useToast()

const { dog, dogId } = defineProps<{ dog: Dog; dogId: string }>()
const {
  answer,
  problem: unread,
  loading,
  again: reread,
} = useAsk('GET /dogs/{id}/findings', () => ({ params: { id: dogId } }))
const findings = computed(() => answer.value ?? [])
const refused = ref<ApiProblem>()
const problem = computed(() => refused.value ?? unread.value)
const place = ref<PinPlace>()
const again = ref<string>()
const errors = ref<Record<string, string>>({})
const form = useTemplateRef('form')
const draft = reactive({ kind: 'lump' as FindingKind, size: '', note: '', date: deviceToday() })

async function tell(work: () => Promise<unknown>) {
  refused.value = undefined
  try {
    await work()
    reread()
  } catch (error) {
    refused.value = asProblem(error)
  }
}

const numbered = computed(() => findings.value.map((f, i) => ({ ...f, number: i + 1, story: findingStory(f.record) })))
const options = <T extends string>(values: readonly T[], words?: Record<T, string>) =>
  values.map((value) => ({ value, text: words?.[value] ?? value }))
const VIEWS: Record<BodyView, string> = { left: 'left side', right: 'right side', front: 'front', top: 'from above' }

const photos = useAsk('GET /photos', () => ({ query: { dog: dogId } }))
const photosOf = (finding: string) => (photos.answer.value ?? []).filter((p) => p.findingId === finding)
const photograph = (finding: string, file: File) =>
  tell(async () => {
    await keepPhoto({ dogId, findingId: finding, shows: 'finding' }, file)
    photos.again()
  })
/** What is typed as a size, as the slide has it; and back. */
const slid = computed({
  get: () => {
    const mm = typedNumber(draft.size)
    return draft.size.trim() === '' || !Number.isFinite(mm) ? null : mm
  },
  set: (mm: number | null) => (draft.size = mm === null ? '' : String(mm)),
})

/** The middle of a zone in a view, for placing without a pointer; the zone's own middle when that side doesn't show it. */
function spotOf(view: BodyView, zone: Zone): PinPlace {
  const drawing = drawDog(view, dog)
  const [x, y] = drawing.zones.find((z) => z.zone === zone)?.spot ?? [200, 140]
  return { view, zone, x: (drawing.mirrored ? 400 - x : x) / 400, y: y / 270 }
}
async function begin(at: PinPlace) {
  place.value = at
  again.value = undefined
  errors.value = {}
  await nextTick()
  form.value?.scrollIntoView({ block: 'nearest' })
}
function move(part: Partial<Pick<PinPlace, 'view' | 'zone'>>) {
  if (place.value) place.value = spotOf(part.view ?? place.value.view, part.zone ?? place.value.zone)
}

/** The sighting as typed, or undefined with `errors` filled. */
function sighting(gone: boolean): Sighting | undefined {
  const sizeMm = draft.size.trim() === '' ? null : typedNumber(draft.size)
  const parsed = Sighting.safeParse({ date: draft.date, sizeMm, note: draft.note, gone })
  errors.value = parsed.success ? {} : Object.fromEntries(fieldErrors(parsed.error).map((e) => [e.field, e.message]))
  return parsed.success ? parsed.data : undefined
}
function clear() {
  Object.assign(draft, { size: '', note: '', date: deviceToday() })
  place.value = undefined
  again.value = undefined
}
async function pin() {
  const seen = sighting(false)
  if (!seen || !place.value) return
  const finding = Finding.parse({ ...place.value, kind: draft.kind, seen: [seen] })
  await tell(async () => {
    await ask('POST /dogs/{id}/findings', { params: { id: dogId }, body: finding })
    clear()
  })
}
async function seeAgain(finding: StoredFinding, gone: boolean) {
  const seen = sighting(gone)
  if (!seen) return
  const record = { ...finding.record, seen: [...finding.record.seen, seen] }
  await tell(async () => {
    await ask('PUT /findings/{id}', { params: { id: finding.id }, body: { version: finding.version, record } })
    clear()
  })
}
/** Takes a finding off the body, as when it was pinned by mistake; for a while it can be brought back. */
async function takeOff(finding: StoredFinding) {
  await tell(async () => {
    await ask('DELETE /findings/{id}', { params: { id: finding.id } })
    const title = capital(findingTitle(findingStory(finding.record)))
    toast.undone(`${title}: taken off.`, async () => {
      await tell(() => ask('POST /findings/{id}/restore', { params: { id: finding.id } }))
      return refused.value?.detail ?? `${title}: back on the body.`
    })
  })
}
function startAgain(finding: StoredFinding) {
  clear()
  again.value = finding.id
}
</script>

<template>
  <section class="basin" aria-labelledby="found-title">
    <div class="head">
      <h2 id="found-title">Found on the body</h2>
      <UiButton kind="link" @click="begin(spotOf('left', 'back'))">Add a finding</UiButton>
    </div>
    <p class="soft small">Tap the place, or use the button.</p>
    <div class="work" :class="{ placing: place }">
      <BodyMap :dog="dog" :findings="findings" :placing="place" @place="begin" />
      <form v-if="place" ref="form" class="form" novalidate @submit.prevent="pin" @keydown.esc="clear">
        <UiField label="What" for-id="found-kind"
          ><UiSelect id="found-kind" v-model="draft.kind" :options="options(FindingKind.options)"
        /></UiField>
        <UiField label="Seen from" for-id="found-view"
          ><UiSelect
            id="found-view"
            :model-value="place.view"
            :options="options(BodyView.options, VIEWS)"
            @update:model-value="move({ view: $event })"
        /></UiField>
        <UiField label="Where" for-id="found-zone"
          ><UiSelect
            id="found-zone"
            :model-value="place.zone"
            :options="options(ZONES, ZONE_NAMES)"
            @update:model-value="move({ zone: $event })"
        /></UiField>
        <UiText
          v-model="draft.size"
          label="Size, mm"
          :error="errors.sizeMm"
          hint="If it can be measured."
          inputmode="decimal"
        />
        <SizeSlide v-model="slid" class="wide" />
        <UiField label="Seen on" for-id="found-date" :error="errors.date"
          ><UiDate id="found-date" v-model="draft.date" clearable
        /></UiField>
        <UiText v-model="draft.note" label="Note" :error="errors.note" />
        <div class="buttons">
          <UiButton kind="primary" submit>Pin it</UiButton>
          <UiButton kind="link" @click="clear">Leave it</UiButton>
        </div>
      </form>
    </div>
    <ProblemNote v-if="problem" :problem="problem"
      ><UiButton kind="link" @click="reread">Load again</UiButton></ProblemNote
    >
    <p v-else-if="!loading && findings.length === 0 && !place" class="soft">Nothing found yet.</p>
    <ol class="list">
      <li v-for="finding in numbered" :key="finding.id" :class="{ vet: finding.story.vet, gone: finding.story.gone }">
        <span class="number">{{ finding.number }}</span>
        <div>
          <p class="title">{{ findingTitle(finding.story) }}</p>
          <p class="soft">{{ findingText(finding.story, say) }}</p>
          <p v-for="seen in finding.record.seen.filter((s) => s.note)" :key="seen.date + seen.note" class="soft small">
            {{ say.date(seen.date, 'short') }}: {{ seen.note }}
          </p>
          <PhotoRow compared :photos="photosOf(finding.id)" @gone="photos.again" />
          <form
            v-if="again === finding.id"
            class="form"
            novalidate
            @submit.prevent="seeAgain(finding, false)"
            @keydown.esc="clear"
          >
            <UiText v-model="draft.size" label="Size now, mm" :error="errors.sizeMm" inputmode="decimal" />
            <UiField label="Seen on" for-id="again-date" :error="errors.date"
              ><UiDate id="again-date" v-model="draft.date" clearable
            /></UiField>
            <UiText v-model="draft.note" label="Note" :error="errors.note" />
            <div class="buttons">
              <UiButton kind="primary" submit>Keep this sighting</UiButton>
              <UiButton kind="link" @click="seeAgain(finding, true)">It is gone</UiButton>
              <UiButton kind="link" @click="clear">Leave it</UiButton>
            </div>
          </form>
        </div>
        <UiCamera :label="`Photograph: ${findingTitle(finding.story)}`" chooses @file="photograph(finding.id, $event)">
          <span class="link">Photograph</span>
        </UiCamera>
        <UiButton
          v-if="!finding.story.gone && again !== finding.id"
          kind="link"
          :aria-label="`Seen again: ${findingTitle(finding.story)}`"
          @click="startAgain(finding)"
        >
          Seen again
        </UiButton>
        <UiButton
          v-if="again !== finding.id"
          kind="link"
          :aria-label="`Take off: ${findingTitle(finding.story)}`"
          @click="takeOff(finding)"
        >
          Take off
        </UiButton>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.work.placing {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 290px;
  gap: 8px 20px;
  align-items: start;
}
@media (max-width: 1000px) {
  .work.placing {
    grid-template-columns: minmax(0, 1fr);
  }
}
.wide {
  grid-column: 1 / -1;
}
@media (max-width: 560px) {
  .list li {
    grid-template-columns: 30px repeat(3, auto);
  }
  .list li > div {
    grid-column: 2 / -1;
  }
}
.form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px 14px;
  margin: 10px 0;
  padding: 12px;
  background: var(--rim-tint);
  border-radius: 0 0 14px 14px;
}
.buttons {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
  align-items: center;
}
.list li {
  display: grid;
  grid-template-columns: 30px minmax(0, 1fr) auto auto auto;
  gap: 10px 16px;
  align-items: start;
  padding: 10px 0;
  border-top: 1px solid var(--rule2);
}
.number {
  display: grid;
  place-items: center;
  height: 26px;
  border-radius: 2px 2px 9px 9px;
  background: var(--ink);
  color: var(--on-rim);
  font-weight: 700;
}
.vet .number {
  background: var(--stop);
}
.gone .number {
  background: var(--ink2);
}
.title {
  font-weight: 700;
}
</style>
