import type { House } from '@core/house'
import { ask } from './client'

/** Changes some of the house as it stands on the server now. Throws an ApiProblem. */
export async function changeHouse(change: (house: House) => House): Promise<House> {
  const { version, record } = await ask('GET /house', {})
  return (await ask('PUT /house', { body: { version, record: change(record) } })).record
}

/** Beginning with an empty room in place of the demonstration, and with the demonstration in an empty room. */
export const beginnings = {
  own: (units: House['units']) => ask('POST /begin/own', { body: { clear: true, units: units ?? undefined } }),
  demonstration: () => ask('POST /begin/demonstration', {}),
}
