import type { InstrumentsAnswer } from '@contract'
import type { Scene } from '@core/instruments'
import type { Db } from '../../db/db'
import { theHouse } from '../../db/house'
import type { Practice } from '../../devices/instruments'
import type { Handlers } from '../register'

const EVERY_MS = 1000

/** Instruments: how they stand, their faults, and their readings as they come. */
export function instrumentHandlers(db: Db, practice: Practice) {
  const answer = (): InstrumentsAnswer => ({ instruments: practice.standing(), grams: practice.grams })
  return {
    'GET /instruments': answer,
    'PUT /instruments/scale/load': ({ body }) => {
      practice.grams = body.grams
      return answer()
    },
    'PUT /instruments/{kind}': ({ params, body }) => {
      practice.setFault(params.kind, body.fault)
      return answer()
    },
    'GET /instruments/readings': async ({ query: { target, watts, level } }) => {
      const { record: house } = await theHouse(db)
      const began = Date.now()
      const scene: Scene = {
        supply: house.water,
        roomC: house.room.celsius,
        humidity: house.room.humidity,
        targetC: target ?? null,
        watts,
        level,
        grams: 0,
      }
      const read = () => {
        const at = Date.now()
        scene.grams = practice.grams
        return house.instruments.flatMap((kind) => practice.instrument(kind, scene, began).read(at) ?? [])
      }
      return (send) => {
        const tell = () => {
          const readings = read()
          send(readings.length === 0 ? undefined : readings)
        }
        tell()
        const timer = setInterval(tell, EVERY_MS)
        return () => clearInterval(timer)
      }
    },
  } satisfies Partial<Handlers>
}
