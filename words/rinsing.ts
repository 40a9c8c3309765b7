import { coatWords, skinWords, zonesListed, zonesText } from './names'
import type { Words } from './types'

export const RINSING: Words<'rinse'> = {
  'rinse.soundSkin': 'clean enough for sound skin',
  'rinse.tenderSkin': ({ skin }) => `${skinWords(skin)}: stricter`,
  'rinse.over': ({ m2 }, say) => `once over ${say.area(m2)}`,
  'rinse.fingersOver': ({ m2 }, say) => `fingers once over ${say.area(m2)}`,
  'rinse.toATwentieth': 'until a twentieth of the soap is left',
  'rinse.coatHolds': ({ litres, coat }, say) => `soap out of ${say.litres(litres)} that the ${coatWords(coat)} holds`,
  'rinse.stricter': ({ skin, limit, zones }, say) =>
    `${skinWords(skin)}: under ${say.number(limit)} mg/m² on ${zones.length > 4 ? zonesText(zones) : zonesListed(zones)}`,
  'rinse.hardWater': 'hard water',
  'rinse.onlyZones': ({ zones }) => `only ${zonesText(zones)}`,
  'rinse.loose': 'shed undercoat holds the soap',
  'rinse.untilClear': 'filthy: until the water runs clear',
  'rinse.passes': 'passes over the dog',
  'rinse.scratchedAfter': ({ date }, say) =>
    `scratched for days after ${say.date(date, 'short')}: the fingers go over once more`,
}

/** What "soap left" means, once. */
export const SOAP_LEFT =
  'Soap left: milligrams of washing substance on a square metre of skin and hair. Over the limit it can itch for days.'
