import { firstSkin, TENDER, ZONES, type Skin, type Zone } from '../dog'
import { said } from '../said'
import type { Rules } from '../rules'
import { isDelicate, only, pick, soreIn, wantedKinds, type Choice, type ChoiceFacts } from './choose'
import type { ShelvedProduct } from './schema'

const BODY: readonly Zone[] = ['neck', 'back']

/** What of a zone's skin isn't all over and asks for a product of its own there. */
function placeSkin({ skin }: ChoiceFacts, zone: Zone): Skin | undefined {
  const here = skin.zones[zone].filter((s) => !skin.whole.includes(s))
  if (skin.whole.includes('vet-treated')) return undefined
  return (
    firstSkin(here, ['vet-treated', ...TENDER]) ?? (skin.whole.length === 0 ? firstSkin(here, ['greasy']) : undefined)
  )
}

/**
 * The whole-dog choice with the zones that another product suits better taken out of it: what the skin of a place
 * asks for, tear-free on the face, texture on the body of wire and feathered coats, whitening on stained zones by
 * rule. Tender, treated or puppy skin gets one mild product everywhere but on the face.
 */
export function chooseByZone(
  shelf: readonly ShelvedProduct[],
  facts: ChoiceFacts,
  whole: Choice,
  rule: Rules['whitening'],
  treating: boolean,
): Choice[] {
  const choices: Choice[] = []
  const left = new Set<Zone>(facts.face ? ZONES : ZONES.filter((z) => z !== 'head'))
  const take = (product: ShelvedProduct | undefined, zones: readonly Zone[], more: Pick<Choice, 'why' | 'blend'>) => {
    const free = zones.filter((z) => left.has(z))
    if (!product || free.length === 0) return
    choices.push({ product, zones: free, others: [], ...more })
    free.forEach((z) => left.delete(z))
  }
  const tearFree = only(shelf, facts, 'tear-free')
  if (facts.face && tearFree && tearFree.id !== whole.product.id)
    take(tearFree, ['head'], { why: said('choose.tearFree') })

  const places = new Map<string, { choice: Choice; skin: Skin; zones: Zone[] }>()
  for (const zone of ZONES) {
    const skin = left.has(zone) ? placeSkin(facts, zone) : undefined
    if (skin === undefined || (!treating && skin === 'greasy')) continue
    const { kinds, why } = wantedKinds([skin], facts.puppy)
    const choice = pick(shelf, facts, kinds, why)
    if (!choice || choice.product.id === whole.product.id) continue
    const key = `${choice.product.id} ${skin}`
    places.set(key, { choice, skin, zones: [...(places.get(key)?.zones ?? []), zone] })
  }
  for (const { choice, skin, zones } of places.values())
    take(choice.product, zones, {
      why: said(soreIn([skin]) ? 'choose.around' : 'choose.placeOnly', { skin, zones }),
    })

  const sturdy = (zones: readonly Zone[]) => zones.filter((z) => !isDelicate(facts.skin.zones[z], facts.puppy))
  const whitening = only(shelf, facts, 'whitening')
  const stained = facts.white ? sturdy(facts.stained.filter((z) => z !== 'head')) : []
  if (whitening && (treating || rule === 'both')) {
    const blend = rule === 'blend' ? (only(shelf, facts, 'soothing') ?? only(shelf, facts, 'cleaning')) : undefined
    take(whitening, stained, {
      why: blend ? said('choose.blend', { product: blend.name }) : said('choose.stained'),
      blend,
    })
  }
  const texturing = only(shelf, facts, 'texturing')
  const textured = facts.coat === 'wire' || facts.coat === 'feathered'
  if (treating && textured && !facts.skin.whole.includes('greasy'))
    take(texturing, sturdy(BODY), { why: said('choose.texture') })
  const rest = ZONES.filter((z) => left.has(z))
  return rest.length > 0 ? [{ ...whole, zones: rest }, ...choices] : choices
}
