import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { StoredHouse } from '@contract'
import { beginIn, placedIn, type House } from '@core/house'
import { inUse, type ShelvedProduct } from '@core/mix'
import { ask } from '../api/client'
import { onChange } from '../api/live'
import { askKept } from '../api/queries'
import { deviceRegion, deviceUnits } from '../deviceUnits'

/** A house whose units nobody has chosen yet takes those that this device's user reads. */
async function withUnits({ version, record }: StoredHouse): Promise<House> {
  if (record.units !== null) return record
  const chosen = placedIn(beginIn(record, deviceUnits()), deviceRegion())
  await ask('PUT /house', { body: { version, record: chosen } }).catch(() => undefined)
  return chosen
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
