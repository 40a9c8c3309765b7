import { worstMats, type Soil } from '@core/dog'
import type { DryingPlan } from '@core/drying'
import { earInBrief, mainMix, type EarsPlan, type Plan, type Today, type WaterPlan } from '@core/visit'
import { earWords } from './ears'
import { SERVICE_NAMES } from './course'
import { SKIN_NAMES } from './names'
import { noticeTitle } from './notices'
import type { Say } from './say'

const ORDINALS = ['first', 'second', 'third']

/** Which washes a bottle is for: "Both washes", "First wash", "Conditioner"; `of`: how many washes there are. */
export function washesWords(passes: readonly (number | 'conditioner')[], of: number, say: Say): string {
  const washes = passes.filter((p) => p !== 'conditioner')
  if (washes.length === 0) return 'Conditioner'
  if (of === 1) return 'One wash'
  if (washes.length === of) return of === 2 ? 'Both washes' : `All ${of} washes`
  const named = say.list(washes.map((p) => ORDINALS[p - 1]!))
  return `${named[0]!.toUpperCase()}${named.slice(1)} wash`
}

/** The main product's ratio in parts. */
export function partsWords(ratio: number | undefined, say: Say): string {
  if (ratio === undefined) return 'Water only'
  return ratio === 0 ? 'As it comes' : `1 part + ${say.number(ratio)} water`
}

/** An answer of a recipe in one line: what counts, and what belongs to it. */
export interface InBrief {
  big: string
  more: string
}

/** What is mixed for the washes and the conditioner, each bottle with its amounts. */
export function washInBrief({ mix }: Pick<Plan, 'mix'>, say: Say): InBrief {
  const main = mainMix(mix)
  const bottles = mix.bottles.map((b) => {
    const solid = b.product.form === 'bar'
    const parts = [
      solid ? `${say.number(b.productMl, 0)} g` : say.volume(b.productMl),
      ...(b.blend ? [say.volume(b.blend.productMl)] : []),
      ...(b.waterMl > 0 ? [`${say.volume(b.waterMl)} water`] : []),
    ]
    const names = [b.product.name, ...(b.blend ? [b.blend.product.name] : [])].join(' and ')
    return `${names} ${parts.join(' + ')}, ${washesWords(b.passes, mix.passes.length, say).toLowerCase()}`
  })
  const after = mix.conditioner?.waterMl === 0 ? [`then ${mix.conditioner.product.name}`] : []
  const stays = main ? [`stays ${say.number(main.contact.value)} min`] : []
  return { big: partsWords(main?.ratio.value, say), more: `${[...bottles, ...after, ...stays].join('; ')}.` }
}

/** The water at the nozzle, and how much of it. */
export const waterInBrief = (water: WaterPlan, say: Say): InBrief => ({
  big: say.temperature(water.target.value),
  more: `At the nozzle, ${say.litres(water.litres.value, 0)} in all.`,
})

/** The last rinse. */
export function rinseInBrief({ last, tool }: Plan['rinse'], say: Say): InBrief {
  const how = tool === 'cup' ? ', by cup' : tool === 'low' ? ', shower low' : ''
  return {
    big: say.count(last.passes, 'pass', 'passes'),
    more: `The last rinse ${say.number(last.minutes.value)} min, ${say.litres(last.litres, 0)}${how}.`,
  }
}

/** Both ears: said once where they agree. */
export function earsInBrief(ears: EarsPlan, say: Say): InBrief {
  const [left, right] = [earWords(earInBrief(ears.left), say), earWords(earInBrief(ears.right), say)]
  const stopped = [ears.left, ears.right].filter((e) => e.action === 'stop').length
  const busy = [ears.left, ears.right].some((e) => e.action !== 'wipe')
  const big =
    stopped === 2
      ? 'No cleaner'
      : stopped === 1
        ? ears.left.action === 'stop'
          ? 'Not the left'
          : 'Not the right'
        : busy
          ? 'Clean'
          : 'Wipe only'
  return { big, more: left === right ? `Both: ${left}.` : `Left: ${left}. Right: ${right}.` }
}

/** With what a dog is dried, in turn. */
export function dryersWords(drying: DryingPlan, say: Say): string {
  const { choice } = drying
  switch (choice.technique) {
    case 'air':
      return 'Towels, then its own warmth in a warm room'
    case 'fan':
      return `${choice.fan!.name}, unheated, in front of the wire crate`
    case 'velocity':
      return `${choice.velocity!.name}, then the same turned low, with the brush`
    case 'brush, then air':
      return `${choice.warm!.name} and a soft brush for ${say.minutes(drying.handMinutes)}, then wrapped up warm`
    default: {
      const first = choice.fan ?? choice.velocity
      return first ? `${first.name}, then ${choice.warm!.name} and brush` : `${choice.warm!.name} and brush`
    }
  }
}
export const dryInBrief = (drying: DryingPlan, say: Say): InBrief => ({
  big: say.minutes(drying.minutes.value),
  more: `${dryersWords(drying, say)}.`,
})

/** How the dog is handled, what the visit does to the groomer, and when it comes again. */
export function handlingInBrief({ handling, groomer, next, again }: Plan, say: Say): string {
  const wanted = handling.notes.some((n) => n.code === 'handle.twoPeople')
  const who = handling.people === 2 ? 'Two people' : wanted ? 'One person, better two' : 'One person'
  const muzzle = handling.muzzle ? ', muzzle at hand' : ''
  const pace = handling.pace === 1 ? '' : `, ${say.number(handling.pace, 2)} times as long in hand`
  const noise = `noise ${say.number(groomer.dose.value, 0)} % of a day’s dose`
  // what a short visit left out comes before the next whole one
  const soon = again ? `The rest from ${say.date(again, 'day')}` : `Again on ${say.date(next.date, 'day')}`
  return `${who}${muzzle}${pace}; ${noise}. ${soon}.`
}

/** What to take care of, each by its title. */
export const careInBrief = ({ cautions }: Pick<Plan, 'cautions'>, say: Say): string =>
  cautions.map((c) => noticeTitle(c, say)).join('; ')

/** How many steps a visit has and how long it takes, and what isn't done today because it was done lately. */
export function stepsInBrief({ steps, minutes, leftOut }: Plan, say: Say): string {
  const lately = leftOut.filter((l) => l.because === 'notYet').length
  return `${say.count(steps.length, 'step')}, ${say.minutes(minutes.value)}${lately > 0 ? `, ${lately} not today` : ''}`
}

/** The visit before, and in how many things this one differs. */
export function lastInBrief(date: string, differing: number, say: Say): string {
  const what = differing === 0 ? 'just as it was' : differing === 1 ? '1 thing differs' : `${differing} things differ`
  return `${say.date(date, 'short')}: ${what}`
}

const SOILED: Record<Soil, string> = { light: 'little dirt', usual: 'usual dirt', filthy: 'filthy' }
const MATTED = ['no mats', 'few mats', 'many mats', 'felted']
/** How a dog was found, in a few words: "sound skin, usual dirt, no mats, calm, bath". */
export function foundInBrief({ skin, soil, mats, mood, service }: Today, say: Say): string {
  const found = [
    skin.length > 0 ? `${say.list(skin.map((s) => SKIN_NAMES[s]))} skin` : 'sound skin',
    SOILED[soil],
    MATTED[worstMats(mats)]!,
    mood ?? '',
    SERVICE_NAMES[service],
  ]
  return found.filter((part) => part !== '').join(', ')
}
