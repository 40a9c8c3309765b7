import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { StoredHouse } from '@contract'
import { beginIn, placedIn, type House } from '@core/house'
import { inUse, type ShelvedProduct } from '@core/mix'
import { ask } from '../api/client'
import { onChange } from '../api/live'
import { askKept } from '../api/queries'
import { deviceRegion, deviceUnits, deviceZone } from '../deviceUnits'

/** The same is chosen once, however many ask at once. */
let choosing: Promise<House> | undefined
async function choose({ version, record }: StoredHouse): Promise<House> {
  const placed = placedIn(beginIn(record, deviceUnits()), deviceRegion())
  const chosen = { ...placed, timeZone: placed.timeZone || deviceZone() }
  await ask('PUT /house', { body: { version, record: chosen } }).catch(() => undefined)
  return chosen
}
/** A house whose units nobody has chosen yet takes those that this device's user reads, and the time zone of its clock. */
async function withUnits(stored: StoredHouse): Promise<House> {
  if (stored.record.units !== null) return stored.record
  choosing ??= choose(stored).finally(() => (choosing = undefined))
  return choosing
}

/** The wash room: the house and its shelf, as a recipe needs them; kept in step with what other devices change. */
export const useRoom = defineStore('room', () => {
  const house = ref<House>()
  const shelf = ref<ShelvedProduct[]>([])

  /** Loads both; throws an ApiProblem. */
  async function load() {
    const [storedHouse, products] = await Promise.all([askKept('GET /house'), askKept('GET /products')])
    const found = await withUnits(storedHouse)
    const kept = inUse(products.map(({ id, record }) => ({ ...record, id })))
    // what reads them reckons anew only when they are something else
    if (JSON.stringify(found) !== JSON.stringify(house.value)) house.value = found
    if (JSON.stringify(kept) !== JSON.stringify(shelf.value)) shelf.value = kept
  }
  onChange(({ what }) => {
    if (what === 'house' || what === 'products') load().catch(() => undefined)
  })

  return { house, shelf, load }
})
