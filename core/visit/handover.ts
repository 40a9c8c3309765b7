import { anySkin, isLong, skinMap, ZONES, type Dog, type Zone } from '../dog'
import type { Form } from '../mix'
import { LADDER, type Stressor } from '../handling'
import { said, type Code, type Said } from '../said'
import type { Today } from './schema'
import type { Plan } from './types'
import type { Mix } from './washTypes'

declare module '../said' {
  interface Codes {
    'used.nothing': None
    /** `zones` of the dog; its ratio in parts of water; a bar or neat product by its form. */
    'used.product': {
      product: string
      blend: string | null
      form: Form
      ratio: number
      zones: Zone[]
    }
    'used.ears': { products: string[] }
    'home.brushAfterRain': None
    'home.towelAfterRain': None
    'home.brushOften': None
    'home.cords': None
    'home.liftEars': None
    'home.tellScratching': None
    'home.fleas': None
    'home.folds': None
    'home.hairless': None
    'home.vetEars': { sides: ('left' | 'right')[] }
    'home.practise': { stressor: Stressor }
    'home.askInTwoDays': { name: string }
  }
}

/** What the owner is told when the dog goes home: what was used, how to care for it, and when to come again. */
export interface HandOver {
  used: Said<Extract<Code, `used.${string}`>>[]
  homeCare: Said<Extract<Code, `home.${string}`>>[]
  /** What the owner can practise with the dog before it comes again, for everything it can't bear yet. */
  practise: Said<'home.practise'>[]
  ask: Said<'home.askInTwoDays'>
}

/** Every product on the dog, pass by pass, then the conditioner. */
export function mixesOf({ mix }: Pick<Plan, 'mix'>): Mix[] {
  return [...mix.passes.flatMap((p) => p.mixes), ...(mix.conditioner ? [mix.conditioner] : [])]
}

/** What was used on the dog: each product once as it was mixed, on all the zones it went on. */
export function usedOn(plan: Plan): HandOver['used'] {
  if (!plan.go) return [said('used.nothing')]
  const lines = new Map<string, Said<'used.product'>>()
  for (const { product, blend, ratio, zones } of mixesOf(plan)) {
    const key = `${product.id} ${blend?.product.id ?? ''} ${ratio.value}`
    const before = lines.get(key)?.facts.zones ?? []
    lines.set(
      key,
      said('used.product', {
        product: product.name,
        blend: blend?.product.name ?? null,
        form: product.form,
        ratio: ratio.value,
        zones: ZONES.filter((z) => before.includes(z) || zones.includes(z)),
      }),
    )
  }
  const ears = [plan.ears.left, plan.ears.right].flatMap((e) => e.product ?? [])
  return [...lines.values(), ...(ears.length > 0 ? [said('used.ears', { products: [...new Set(ears)] })] : [])]
}

/**
 * What the owner is told. An ear that a vet should see gets no advice against it; `found`: ears with stop signs that
 * were found only at the table.
 */
export function handOver(dog: Dog, today: Today, plan: Plan, found: readonly ('left' | 'right')[] = []): HandOver {
  const skin = anySkin(skinMap(today))
  const stopped = (['left', 'right'] as const).filter(
    (side) => plan.ears[side].action === 'stop' || found.includes(side),
  )
  const homeCare: (HandOver['homeCare'][number] | false)[] = [
    stopped.length > 0 && said('home.vetEars', { sides: stopped }),
    isLong(dog.coat) || dog.coat === 'feathered' ? said('home.brushAfterRain') : said('home.towelAfterRain'),
    isLong(dog.coat) && said('home.brushOften'),
    dog.coat === 'corded' && said('home.cords'),
    dog.earCarriage === 'drop' && stopped.length === 0 && said('home.liftEars'),
    (skin.includes('itchy') || skin.includes('dry')) && said('home.tellScratching'),
    today.fleas && said('home.fleas'),
    dog.folds && said('home.folds'),
    dog.coat === 'hairless' && said('home.hairless'),
  ]
  return {
    used: usedOn(plan),
    homeCare: homeCare.filter((line) => line !== false),
    practise: plan.ladder
      .filter((l) => l.rung < LADDER.rungs.value)
      .map((l) => said('home.practise', { stressor: l.stressor })),
    ask: said('home.askInTwoDays', { name: dog.name }),
  }
}
