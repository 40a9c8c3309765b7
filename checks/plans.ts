import { Dog } from '@core/dog'
import { planVisit, Today, type Plan } from '@core/visit'
import { DEMO } from '../demo/scenario'

/** The Saturday that whole plans are made for. */
export const SATURDAY = '2026-11-28'
const shelf = DEMO.products.map((p) => ({ ...p, id: p.name }))

/** The whole plan of a dog by the demonstration's shelf and house: a wire-coated one of 8 kg where nothing else is said. */
export const planOf = (dog: object = {}, today: object = {}, house: object = {}): Plan =>
  planVisit(
    Dog.parse({ name: 'Fig', coat: 'wire', weightKg: 8, ...dog }),
    Today.parse({ date: SATURDAY, ...today }),
    shelf,
    { ...DEMO.house, ...house },
  )
