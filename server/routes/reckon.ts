import { Router } from 'express'
import type { z } from 'zod'
import {
  DayRequest,
  DryingRequest,
  EarsRequest,
  MixRequest,
  RinseRequest,
  VisitRequest,
  WaterRequest,
} from '../../contract'
import { bodySurface, skinMap, ZONES } from '../../core/dog'
import { planDrying } from '../../core/drying'
import { decideEar } from '../../core/ears'
import { unitsOf } from '../../core/house'
import { dilute, measure, parseLabel } from '../../core/mix'
import { planRinse, toolOf } from '../../core/rinse'
import { planVisit } from '../../core/visit'
import {
  emptyTankTemperature,
  hoseVolume,
  mixTap,
  recovery,
  scaldLine,
  scaldSeconds,
  SUPPLY,
  waterTarget,
} from '../../core/water'
import { METRIC_SAY, ratioWords, sayIn, scaldWords } from '../../words'
import { arrangeInTurns } from '../arranging'
import { wordedPlan } from '../formats/worded'
import { parseInput, Refusal } from '../problems'

interface Reckoning<S extends z.ZodType = z.ZodType> {
  request: S
  what: string
  answer: (input: z.infer<S>) => unknown
}

const reckoning = <S extends z.ZodType>(
  what: string,
  request: S,
  answer: (input: z.infer<S>) => unknown,
): Reckoning => ({
  what,
  request,
  answer: answer as Reckoning['answer'],
})

/** The stateless reckonings by name: what is asked and how it is answered. */
export const RECKONINGS: Record<string, Reckoning> = {
  visit: reckoning('One dog’s plan for one day', VisitRequest, ({ dog, today, products, house }) =>
    wordedPlan(planVisit(dog, today, products, house), sayIn(unitsOf(house))),
  ),
  mix: reckoning(
    'A printed ratio, split into product and water',
    MixRequest,
    ({ label, reading, pumpMl, volumeMl }) => {
      const read = parseLabel(label, { reading, pumpMl })
      if (!read.ok) {
        const message = METRIC_SAY.said(read.why)
        throw new Refusal(422, 'Some of it can’t be taken', `label: ${message}`, [{ field: 'label', message }])
      }
      const parts = dilute(volumeMl, read.water)
      return {
        label: { ...read, spelled: ratioWords(read.water, METRIC_SAY) },
        ...parts,
        measured: read.water > 0 ? measure(parts.product, parts.water, pumpMl) : undefined,
      }
    },
  ),
  water: reckoning('Bath temperature, tap mixing and scald line', WaterRequest, ({ supply, ...facts }) => {
    const target = waterTarget(facts)
    const rise = supply.hotC - supply.coldC
    const seconds = scaldSeconds(supply.hotC)
    return {
      ...target,
      tap: mixTap(target.target.value, supply.coldC, supply.hotC),
      scald: {
        seconds: Number.isFinite(seconds) ? seconds : null,
        text: scaldWords(scaldLine(supply.hotC), METRIC_SAY),
      },
      recoveryLitresPerMinute: rise > 0 ? recovery(supply.heaterKw, rise, SUPPLY.efficiency.value) : null,
      emptyTankC: rise > 0 ? emptyTankTemperature(supply) : null,
      runOffLitres: hoseVolume(supply.hoseM),
    }
  }),
  rinse: reckoning(
    'Rinse minutes, litres and the residue curve',
    RinseRequest,
    ({ weightKg, volumeMl, ratio, labelRatio, flow, tool, ...facts }) =>
      planRinse([[{ zones: ZONES, volume: volumeMl, surface: bodySurface(weightKg), ratio, labelRatio }]], {
        ...facts,
        skin: skinMap(facts),
        tool: toolOf(tool, flow),
        surface: bodySurface(weightKg),
        hardAbove: SUPPLY.hardAbove.value,
      }),
  ),
  drying: reckoning('Drying zone by zone', DryingRequest, ({ weightKg, ...facts }) =>
    planDrying({ ...facts, skin: skinMap(facts), surface: bodySurface(weightKg) }),
  ),
  day: reckoning('A wash day over hands, tub, table, water and the clock', DayRequest, ({ instance, seed, budgetMs }) =>
    arrangeInTurns(instance, seed, budgetMs),
  ),
  ears: reckoning('One ear by the decision table', EarsRequest, ({ look, ...facts }) => decideEar(look, facts)),
}

/** Reckoning without storing anything. */
export function reckonRoutes(): Router {
  const router = Router()
  for (const [name, { request, answer }] of Object.entries(RECKONINGS)) {
    router.post(`/${name}`, async (req, res) => {
      res.json(await answer(parseInput(request, req.body)))
    })
  }
  return router
}
