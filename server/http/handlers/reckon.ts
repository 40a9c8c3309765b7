import { bodySurface, skinMap, ZONES } from '@core/dog'
import { planDrying } from '@core/drying'
import { decideEar } from '@core/ears'
import { unitsOf } from '@core/house'
import { dilute, measure, parseLabel } from '@core/mix'
import { planRinse, toolOf } from '@core/rinse'
import { planVisit } from '@core/visit'
import {
  emptyTankTemperature,
  hoseVolume,
  mixTap,
  recovery,
  scaldLine,
  scaldSeconds,
  SUPPLY,
  waterTarget,
} from '@core/water'
import { METRIC_SAY, ratioWords, sayIn, scaldWords } from '@words'
import { wordedPlan } from '../../formats/worded'
import { Refusal } from '../../problems'
import type { ServerWork } from '../../work/jobs'
import { arrangeWithin } from '../../usecases/arranging'
import type { Handlers } from '../register'

/** Reckonings that store nothing. */
export const reckonHandlers = (work: ServerWork) =>
  ({
    'POST /reckon/visit': ({ body: { dog, today, products, house } }) =>
      wordedPlan(planVisit(dog, today, products, house), sayIn(unitsOf(house))),
    'POST /reckon/mix': ({ body: { label, reading, pumpMl, volumeMl } }) => {
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
    'POST /reckon/water': ({ body: { supply, ...facts } }) => {
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
    },
    'POST /reckon/rinse': ({ body: { weightKg, volumeMl, ratio, labelRatio, flow, tool, ...facts } }) =>
      planRinse([[{ zones: ZONES, volume: volumeMl, surface: bodySurface(weightKg), ratio, labelRatio }]], {
        ...facts,
        skin: skinMap(facts),
        tool: toolOf(tool, flow),
        surface: bodySurface(weightKg),
        hardAbove: SUPPLY.hardAbove.value,
      }),
    'POST /reckon/drying': ({ body: { weightKg, ...facts } }) =>
      planDrying({ ...facts, skin: skinMap(facts), surface: bodySurface(weightKg) }),
    'POST /reckon/day': ({ body: { instance, seed, budgetMs } }) =>
      arrangeWithin(work, { problem: instance, seed, budgetMs }),
    'POST /reckon/ears': ({ body: { look, cleaner, drying, ...facts } }) =>
      decideEar(look, {
        ...facts,
        date: '',
        cleaners: cleaner ? [cleaner] : [],
        dryingOnes: drying ? [drying] : [],
        forbidden: [],
      }),
  }) satisfies Partial<Handlers>
