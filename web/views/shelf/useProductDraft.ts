import { computed, reactive, ref, toRaw, watch } from 'vue'
import { fieldErrors } from '@contract'
import { EAR_KINDS, isWeighed, parseLabel, Product, SAMPLES, usualName, type Label, type ProductKind } from '@core/mix'
import { amountAgain, shownAmount, type Units } from '@core/units'
import type { Say } from '@words'
import { typedNumber } from '../../parts/words'

/** What is typed as it is kept. */
const AS_IT_IS = [
  'name',
  'kind',
  'form',
  'ratio',
  'reading',
  'frothRatio',
  'filthyRatio',
  'opened',
  'expires',
  'instruction',
  'notes',
  'ways',
  'forSkin',
  'forCoats',
] as const
type AsItIs = (typeof AS_IT_IS)[number]

/** A product as it is typed: numbers still text, so that nothing typed is lost, whatever it is. */
export type ProductDraft = Pick<Product, AsItIs> & {
  contact: string
  pH: string
  weeks: string
  contains: string
  size: string
  /** Of one full bottle. */
  price: string
  pump: string
  ear: string
}

const DIGITS = 2
/** Kinds that come ready to use as a rule. */
const READY = 'ready to use'

const text = (value: number | null) => (value === null ? '' : String(value))
const amount = (mL: number | null, units: Units) =>
  mL === null ? '' : String(shownAmount(mL, 'volume', units, DIGITS))
/** What a bottle costs, from what a litre does; for a bottle of unknown size that is the litre's own price. */
const bottlePrice = ({ pricePerLitre, sizeMl }: Product) =>
  pricePerLitre === null ? '' : String(Math.round(pricePerLitre * ((sizeMl ?? 1000) / 1000) * 100) / 100)

/** An empty draft, or a product opened for changing. */
export function draftOf(units: Units, product: Product = { ...SAMPLES.cleaning, name: '', ratio: '' }): ProductDraft {
  const as = Object.fromEntries(AS_IT_IS.map((field) => [field, product[field]])) as Pick<Product, AsItIs>
  return {
    ...as,
    contact: text(product.contactMinutes),
    pH: text(product.pH),
    weeks: text(product.youngestWeeks),
    contains: product.contains.join(', '),
    size: isWeighed(product.form) ? text(product.sizeMl) : amount(product.sizeMl, units),
    price: bottlePrice(product),
    pump: amount(product.pumpMl, units),
    ear: amount(product.earMl, units),
  }
}

/**
 * The form of one product: what is typed, how its ratio reads, the refused fields, and the record when all is well.
 * `stored`: the product as it is kept, whose amounts stay as they are unless they are typed anew. `shelf`: the names
 * that others have; a new bottle without a name takes a usual one.
 */
export function useProductDraft(
  initial: ProductDraft,
  say: Say,
  stored: () => Product | undefined,
  shelf: () => readonly string[] = () => [],
) {
  const draft = reactive<ProductDraft>(initial)
  const errors = ref<Record<string, string>>({})

  const volume = (typed: string, before?: number | null) =>
    typed.trim() === '' ? null : amountAgain(typed, 'volume', say.units, before, DIGITS)
  const number = (typed: string) => (typed.trim() === '' ? null : typedNumber(typed))
  const pump = computed(() => volume(draft.pump, stored()?.pumpMl))
  /** What the ratio comes to as it is typed; undefined while there is none. */
  const label = computed<Label | undefined>(() =>
    draft.form !== 'concentrate' || draft.ratio.trim() === ''
      ? undefined
      : parseLabel(draft.ratio, { reading: draft.reading, pumpMl: pump.value }),
  )
  /** What a new bottle is called when it isn't given a name. */
  const unnamed = computed(() => (stored() ? '' : usualName(draft.kind, shelf())))
  const isForEars = computed(() => EAR_KINDS.includes(draft.kind))

  /** What is usual for a kind, where nothing was typed. */
  function takeKind(kind: ProductKind) {
    draft.kind = kind
    if (draft.ratio.trim() !== '') return
    draft.form = SAMPLES[kind].form
    if (EAR_KINDS.includes(kind)) draft.ratio = READY
  }

  /** The record, or undefined with `errors` filled. */
  function check(): Product | undefined {
    const { contact, weeks, contains, size, price, pump: _pump, ear, ...rest } = toRaw(draft)
    const was = stored()
    const sizeMl = isWeighed(rest.form) ? number(size) : volume(size, was?.sizeMl)
    const cost = number(price)
    // a price that wasn't touched stays what it is, whatever rounding shows of it
    const same = was !== undefined && price === bottlePrice(was) && sizeMl === was.sizeMl
    const parsed = Product.safeParse({
      ...(was ?? {}),
      ...rest,
      name: rest.name.trim() || unnamed.value,
      ratio: rest.form === 'concentrate' ? rest.ratio : '',
      frothRatio: rest.form === 'concentrate' ? rest.frothRatio : '',
      filthyRatio: rest.form === 'concentrate' ? rest.filthyRatio : '',
      contactMinutes: number(contact),
      pH: number(rest.pH),
      youngestWeeks: number(weeks),
      contains: contains
        .split(',')
        .map((c) => c.trim())
        .filter(Boolean),
      sizeMl,
      pricePerLitre: same ? was.pricePerLitre : cost === null ? null : cost / ((sizeMl ?? 1000) / 1000),
      pumpMl: pump.value,
      earMl: volume(ear, was?.earMl),
    })
    const refused = parsed.success
      ? {}
      : Object.fromEntries(fieldErrors(parsed.error, say).map((e) => [e.field.replace(/[.[].*/, ''), e.message]))
    if (draft.form === 'concentrate' && draft.ratio.trim() === '' && !refused.ratio)
      refused.ratio = 'Give the ratio as the label prints it, for example 1:10; “ready to use” when it is not thinned.'
    errors.value = refused
    return parsed.success && Object.keys(refused).length === 0 ? parsed.data : undefined
  }

  // once something was refused, a correction is seen at once
  watch(draft, () => Object.keys(errors.value).length > 0 && check(), { deep: true })

  return { draft, errors, label, unnamed, isForEars, takeKind, check }
}
