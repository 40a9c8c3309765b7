import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { chance } from '@core/chance'
import { DayProblem } from '@core/day'
import { makeDecoder } from '../../core/day/decode'
import { buildModel } from '../../core/day/model'
import { changePlan, copyPlan, thumbPlans } from '../../core/day/moves'

const folder = fileURLToPath(new URL('instances', import.meta.url))
const CHANGES = 300

test.each(readdirSync(folder).filter((file) => /^n(03|06|10)/.test(file)))(
  '%s: placing again only what a change touches comes to what placing all anew does',
  (file) => {
    const problem = DayProblem.parse(JSON.parse(readFileSync(`${folder}/${file}`, 'utf8')))
    const model = buildModel({ ...problem, wishes: { longWaits: 2, breather: 5 } })
    const kept = makeDecoder(model)
    const random = chance(7)
    const movable = [...model.stretch.keys()].filter((i) => model.stretch[i]! > 0)
    let [plan] = thumbPlans(model)
    let possible = 0
    for (let n = 0; n < CHANGES; n++) {
      const next = copyPlan(plan!)
      changePlan(model, next, movable, random)
      const anew = makeDecoder(model)
      const cost = kept.run(next)
      expect(cost).toBe(anew.run(next))
      expect(kept.bare()).toBe(anew.bare())
      if (cost === Infinity) continue
      possible++
      expect(kept.schedule()).toEqual(anew.schedule())
      // now and then back to an older one
      if (random() < 0.7) plan = next
    }
    expect(possible).toBeGreaterThan(CHANGES / 4)
  },
)
