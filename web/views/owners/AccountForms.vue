<script setup lang="ts">
import { computed, ref } from 'vue'
import { fieldErrors, type OwnerAnswer } from '@contract'
import { Entry } from '@core/money'
import { MoneyHow } from '@core/tubside'
import { capital, PAID_HOW_NAMES } from '@words'
import { ask } from '../../api/client'
import CentsText from '../../parts/CentsText.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { typedNumber } from '../../parts/words'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiChoice from '../../ui/UiChoice.vue'
import UiText from '../../ui/UiText.vue'

/** What is written into an owner's account by hand: a payment, visits paid ahead, something put right. */
const { owner } = defineProps<{ owner: OwnerAnswer }>()
const emit = defineEmits<{ written: [] }>()
const say = useSay()
const FORMS = { payment: 'Take a payment', package: 'Visits ahead', correction: 'Put right' } as const
type Form = keyof typeof FORMS
const form = ref<Form>()
const cents = ref<number | null>(null)
const how = ref<MoneyHow | 'later'>('card')
const visits = ref('10')
const note = ref('')
const less = ref<'more' | 'less'>('less')
const errors = ref<Record<string, string>>({})
const { busy, problem, tell } = useTell()
const hows = computed(() =>
  [...MoneyHow.options, ...(form.value === 'package' ? (['later'] as const) : [])].map((value) => ({
    value,
    text: capital(PAID_HOW_NAMES[value]),
  })),
)
const MORE = [
  { value: 'less' as const, text: 'Less owed' },
  { value: 'more' as const, text: 'More owed' },
]
function open(key: Form) {
  form.value = form.value === key ? undefined : key
  const { beside } = owner.stands
  cents.value = key === 'payment' && beside > 0 ? beside : null
  how.value = 'card'
  note.value = ''
  errors.value = {}
}
/** What the form says. */
function said(): unknown {
  const { currency } = owner
  const price = { cents: cents.value ?? NaN, currency }
  if (form.value === 'correction')
    return { kind: 'correction', cents: (less.value === 'less' ? -1 : 1) * price.cents, currency, note: note.value }
  const of = form.value === 'package' ? { kind: 'package', visits: typedNumber(visits.value) } : { kind: 'payment' }
  return { ...of, price, how: how.value }
}
async function write() {
  const { data, error } = Entry.safeParse(said())
  errors.value = Object.fromEntries(error ? fieldErrors(error, say).map((e) => [e.field, e.message]) : [])
  if (!data) return
  const written = await tell(() => ask('POST /owners/{id}/entries', { params: { id: owner.id }, body: data }))
  if (!written) return
  form.value = undefined
  emit('written')
}
</script>

<template>
  <div class="links">
    <UiButton v-for="(text, key) in FORMS" :key="key" kind="link" :aria-expanded="form === key" @click="open(key)">{{
      text
    }}</UiButton>
  </div>
  <form v-if="form" class="form" novalidate :aria-label="FORMS[form]" @submit.prevent="write">
    <UiText v-if="form === 'package'" v-model="visits" label="Visits" inputmode="decimal" :error="errors.visits" />
    <UiChoice v-if="form === 'correction'" v-model="less" label="It is" :options="MORE" />
    <CentsText
      v-model="cents"
      class="cents"
      :label="`Amount, ${owner.currency}`"
      :error="errors['price.cents'] ?? errors.cents"
    />
    <UiText v-if="form === 'correction'" v-model="note" class="note" label="Why" :error="errors.note" />
    <UiChoice v-else v-model="how" label="Paid how" :options="hows" />
    <UiButton kind="primary" submit :disabled="busy">Write it down</UiButton>
    <ProblemNote v-if="problem" :problem="problem" />
  </form>
</template>

<style scoped>
.links,
.form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: flex-end;
}
.form {
  margin: 8px 0 12px;
}
.cents {
  max-width: 150px;
}
.note {
  flex: 1 1 240px;
}
</style>
