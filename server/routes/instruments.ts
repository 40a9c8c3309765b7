import { Router, type Response } from 'express'
import { FaultChange, LoadChange, SceneQuery, type InstrumentsAnswer } from '../../contract'
import { InstrumentKind, type Scene } from '../../core/instruments'
import type { Db } from '../db/db'
import { theHouse } from '../db/house'
import type { Practice } from '../devices/instruments'
import { notFound, parseInput } from '../problems'

const EVERY_MS = 1000

/** Sends server-sent events until the other side closes: one at once, then one every second. */
function stream(res: Response, next: () => string | undefined) {
  res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform', Connection: 'keep-alive' })
  res.flushHeaders()
  const send = () => {
    const data = next()
    res.write(data === undefined ? ': quiet\n\n' : `data: ${data}\n\n`)
  }
  send()
  const timer = setInterval(send, EVERY_MS)
  res.on('close', () => clearInterval(timer))
}

/** Instruments: how they stand, their faults, and their readings as they come. */
export function instrumentRoutes(db: Db, practice: Practice): Router {
  const router = Router()
  const answer = (): InstrumentsAnswer => ({ instruments: practice.standing(), grams: practice.grams })
  router.get('/', (_req, res) => {
    res.json(answer())
  })
  router.put('/scale/load', (req, res) => {
    practice.grams = parseInput(LoadChange, req.body).grams
    res.json(answer())
  })
  router.put('/:kind', (req, res) => {
    const kind = InstrumentKind.safeParse(req.params.kind)
    if (!kind.success) throw notFound('instrument')
    practice.setFault(kind.data, parseInput(FaultChange, req.body).fault)
    res.json(answer())
  })
  router.get('/readings', async (req, res) => {
    const { target, watts, level } = parseInput(SceneQuery, req.query)
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
    stream(res, () => {
      const at = Date.now()
      scene.grams = practice.grams
      const readings = house.instruments.flatMap((kind) => practice.instrument(kind, scene, began).read(at) ?? [])
      return readings.length === 0 ? undefined : JSON.stringify(readings)
    })
  })
  return router
}
