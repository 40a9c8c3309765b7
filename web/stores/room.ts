import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { StoredHouse, StoredProduct } from '../../contract'
import { beginIn, type House } from '../../core/house'
import type { ShelvedProduct } from '../../core/mix'
import { api } from '../api'
import { deviceUnits } from '../deviceUnits'

/** A house whose units nobody has chosen yet takes those that this device's user reads. */
async function withUnits({ version, record }: StoredHouse): Promise<House> {
  if (record.units !== null) return record
  const chosen = beginIn(record, deviceUnits())
  await api<StoredHouse>('PUT', '/house', { version, record: chosen }).catch(() => undefined)
  return chosen
}

/** The wash room: the house and its shelf, as a recipe needs them. */
export const useRoom = defineStore('room', () => {
  const house = ref<House>()
  const shelf = ref<ShelvedProduct[]>([])

  /** Loads both; throws an ApiProblem. */
  async function load() {
    const [storedHouse, products] = await Promise.all([
      api<StoredHouse>('GET', '/house'),
      api<StoredProduct[]>('GET', '/products'),
    ])
    house.value = await withUnits(storedHouse)
    shelf.value = products.map(({ id, record }) => ({ ...record, id }))
  }

  return { house, shelf, load }
})
