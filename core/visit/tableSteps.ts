import { isDouble, isLong, meanMats, worstMats, ZONE_NAMES } from '../dog'
import { blowOutMinutes, brushMinutes } from '../groomer'
import { reckon, set, start } from '../reckoned'
import { capital, list, say } from '../units'
import { PAUSES, step, type StepFacts } from './stepFacts'
import type { EarsPlan, Step } from './types'

/** Blowing out and brushing before the bath, by school, shedding and mats. */
export function preparationSteps(f: StepFacts): Step[] {
  const { today, coat, surface, mood, schools } = f
  const sheds = isDouble(coat.coat) && today.shedding
  const blows = schools.S1 === 'blow' && sheds && f.stage !== 'puppy' && f.drying.choice.velocity !== undefined
  const steps: Step[] = []
  if (blows) {
    steps.push(
      step({
        id: 'blow-out',
        title: 'Blow out',
        place: 'table',
        minutes: blowOutMinutes(surface, mood),
        detail: 'Loose undercoat out with fast air and slicker, before water.',
      }),
    )
  }
  const now = meanMats(today.mats, (score) => score >= 2 || schools.S18 === 'before')
  const needed = now > 0 || (schools.S1 !== 'straight' && !blows)
  const minutes = brushMinutes(coat, surface, now, mood)
  if (needed && minutes.value > 0) {
    const later = worstMats(today.mats) === 1 && now === 0
    const matted = Object.entries(today.mats)
      .filter(([, score]) => score > 0)
      .map(([zone]) => ZONE_NAMES[zone as keyof typeof ZONE_NAMES])
    const mats = now > 0 ? `; mats on ${list(matted)} tighten when wet` : later ? '; the small mats wait' : ''
    steps.push(
      step({ id: 'brush', title: 'Brush out', place: 'table', minutes, detail: `Line by line to the skin${mats}.` }),
    )
  }
  return steps
}

/** What happens to one ear, in a few words. */
export function earWords(ear: EarsPlan['left']): string {
  if (ear.action === 'stop') return 'leave it, vet first'
  const thin = ear.thinHair ? 'thin the hair, then ' : ''
  if (ear.action === 'wipe') return `${thin}wipe the flap`
  const rounds = ear.rounds === 1 ? 'once' : `${ear.rounds} rounds`
  const then = ear.thenDry ? ', then dry it' : ''
  return `${thin}${ear.product} ${say(ear.millilitres?.value ?? 0)} mL, ${rounds}${then}`
}

/** Both ears, wherever the school puts them. */
export function earStep(f: StepFacts): Step {
  const { left, right, minutes } = f.ears
  return step({
    id: 'ears',
    title: 'Ears',
    place: 'table',
    zones: ['ears'],
    minutes,
    detail: `Left: ${earWords(left)}. Right: ${earWords(right)}.`,
  })
}

/** Shaking off, with a rest in a crate for coats that hold much water. */
export function shakeStep(f: StepFacts): Step {
  const rest =
    f.hold > PAUSES.restAbove.value && f.stage !== 'puppy' && !f.dog.thinSkin && !f.dog.fears.includes('crate')
  const minutes = reckon(
    'min',
    start('right after the rinse', PAUSES.shakeShort.value),
    rest && set('throws off more than the first towel takes, and rests the dog', PAUSES.shakeRest.value),
  )
  return step({
    id: 'shake',
    title: 'Shake and rest',
    place: 'crate',
    minutes,
    hands: !rest,
    detail: rest
      ? 'In a crate or clean room. Set the drying place up meanwhile.'
      : 'Let the dog shake, then straight into the towel.',
  })
}

/** The dryers of a plan in words. */
export function dryerNames({ choice }: StepFacts['drying']): string {
  const names = [choice.fan?.name, choice.velocity?.name, choice.warm?.name].filter((n): n is string => !!n)
  return [...new Set(names)].join(', then ') || 'room air'
}

/** Drying: by hand on the table, or by itself in front of a fan or in warm room air; both in turn. */
export function dryingSteps(f: StepFacts): Step[] {
  const { drying } = f
  const { choice, zones, minutes, combAt } = drying
  const order = list(zones.slice(0, 2).map((z) => ZONE_NAMES[z.zone]))
  const all = zones.map((z) => z.zone)
  const alone = choice.technique === 'fan' || choice.technique === 'air'
  if (alone) {
    const combing = combAt.length > 0 ? ` Comb through at ${list(combAt.map((m) => `${m}`))} min.` : ''
    const where = choice.technique === 'fan' ? 'unheated, in front of the wire crate' : 'warm room, no draught'
    return [
      step({
        id: 'dry',
        title: 'Dry',
        place: 'crate',
        hands: false,
        minutes,
        zones: all,
        detail: `${capital(dryerNames(drying))}, ${where}. Look in often.${combing}`,
      }),
    ]
  }
  const byHand = `${order[0]!.toUpperCase()}${order.slice(1)} first, head last. Part the hair to the skin in every zone.`
  if (choice.technique === 'fan, then brush') {
    const fan = reckon('min', ...minutes.because.filter((r) => r.how !== 'add'))
    const own = minutes.because.some((r) => r.fact.startsWith('You:'))
    const brush = reckon('min', start(`${choice.warm!.name} and brush`, drying.handMinutes))
    if (!own) {
      return [
        step({
          id: 'dry-fan',
          title: 'Fan first',
          place: 'crate',
          hands: false,
          minutes: fan,
          zones: all,
          detail: `${choice.fan!.name}, unheated, in front of the wire crate. Look in often.`,
        }),
        step({
          id: 'dry',
          title: 'Dry',
          place: 'table',
          minutes: brush,
          zones: all,
          detail: `${choice.warm!.name}. ${byHand}`,
        }),
      ]
    }
  }
  return [
    step({ id: 'dry', title: 'Dry', place: 'table', minutes, zones: all, detail: `${dryerNames(drying)}. ${byHand}` }),
  ]
}

/** How the last comb-through is done. */
export const combDetail = (f: StepFacts) =>
  `${isLong(f.coat.coat) ? 'To the skin, layer by layer' : 'To the skin'}. Any damp place is dried now.${f.schools.S18 === 'after' && worstMats(f.today.mats) === 1 ? ' The small mats open now.' : ''}`
