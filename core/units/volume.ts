import { constants, memory, practice, published } from '../constants'

const US = 'NIST Special Publication 811, appendix B'
const IMPERIAL = 'UK Units of Measurement Regulations 1995'

/** Millilitres in one of each volume unit. US customary unless named imperial. */
export const VOLUME_UNITS = constants({
  millilitre: published(1, 'mL', 'definition'),
  litre: published(1000, 'mL', 'definition'),
  fluidOunce: memory(29.5735, 'mL', US),
  cup: memory(236.588, 'mL', US),
  pint: memory(473.176, 'mL', US),
  quart: memory(946.353, 'mL', US),
  gallon: memory(3785.41, 'mL', US),
  tablespoon: memory(14.7868, 'mL', US),
  teaspoon: memory(4.92892, 'mL', US),
  imperialFluidOunce: memory(28.4131, 'mL', IMPERIAL),
  imperialPint: memory(568.261, 'mL', IMPERIAL),
  imperialGallon: published(4546.09, 'mL', IMPERIAL),
})

/** Kitchen measuring spoons as sold, not the US customary spoon. */
export const SPOONS = constants({
  tablespoon: practice(15, 'mL'),
  teaspoon: practice(5, 'mL'),
})

const NAMES: readonly (readonly [keyof typeof VOLUME_UNITS, RegExp])[] = [
  ['millilitre', /^(ml|millilit(re|er)s?|cc)$/],
  ['litre', /^(l|lit(re|er)s?)$/],
  ['imperialFluidOunce', /^(imp(erial)? (fl )?(oz|ounces?))$/],
  ['imperialPint', /^imp(erial)? (pt|pints?)$/],
  ['imperialGallon', /^imp(erial)? (gal|gallons?)$/],
  ['fluidOunce', /^((us )?(fl |fluid )?(oz|ounces?))$/],
  ['cup', /^cups?$/],
  ['pint', /^((us )?(pt|pints?))$/],
  ['quart', /^((us )?(qt|quarts?))$/],
  ['gallon', /^((us )?(gal|gallons?))$/],
  ['tablespoon', /^(tbsp|tbsps|tablespoons?)$/],
  ['teaspoon', /^(tsp|tsps|teaspoons?)$/],
]

/** The unit that a written name means ("fl oz", "tbsp", "Litres"), or undefined. */
export function volumeUnit(name: string): keyof typeof VOLUME_UNITS | undefined {
  const plain = name.trim().toLowerCase().replace(/\./g, '').replace(/\s+/g, ' ')
  return NAMES.find(([, pattern]) => pattern.test(plain))?.[0]
}

/** Millilitres in `amount` of a unit. */
export function toMillilitres(amount: number, unit: keyof typeof VOLUME_UNITS): number {
  return amount * VOLUME_UNITS[unit].value
}
