import { constants, house, practice } from '../constants'
import { afterCups, afterShower, litresToLimit, RINSE } from './residue'

/** What water comes out of: the shower at its flow, the same turned low, or a cup from a bucket. L/min. */
export type RinseTool = { kind: 'shower' | 'low'; flow: number } | { kind: 'cup' }

/** How a dog is rinsed by cup, and how low a shower is turned for one that fears it. */
export const TOOLS = constants({
  cupLitres: practice(1, 'L', [0.5, 1.5]),
  cupsAMinute: house(5, 'cups/min', [3, 8]),
  cupsASqueeze: house(3, 'cups', [2, 5]),
  squeezeMinutes: house(0.2, 'min', [0.1, 0.4]),
  lowFlow: practice(4, 'L/min', [3, 5]),
})

/** The shower at its flow, or turned low where it gives more than that. */
export const lowShower = (flow: number): RinseTool => ({ kind: 'low', flow: Math.min(flow, TOOLS.lowFlow.value) })

/** The tool of a kind in a house whose shower gives `flow` L/min. */
export function toolOf(kind: RinseTool['kind'], flow: number): RinseTool {
  if (kind === 'cup') return { kind }
  return kind === 'low' ? lowShower(flow) : { kind, flow }
}

/** Litres of water a minute with a tool. */
export const litresAMinute = (tool: RinseTool): number =>
  tool.kind === 'cup' ? TOOLS.cupLitres.value * TOOLS.cupsAMinute.value : tool.flow

/** The coat as a vessel that is washed out: its litres, the share of its soap that a volume carries off, and whether it is sleek. */
export interface WashedCoat {
  litres: number
  efficiency: number
  sleek: boolean
}

const squeezeLeaves = ({ sleek }: WashedCoat) => (sleek ? RINSE.squeezeSmooth : RINSE.squeeze).value

/** Minutes of one cup with its share of the squeezes between. */
const cupMinutes = () => 1 / TOOLS.cupsAMinute.value + TOOLS.squeezeMinutes.value / TOOLS.cupsASqueeze.value

/** Minutes that bring residue from `m0` to `limit`, mg/m²; whole cups by cup. 0 when it is there already. */
export function washOutMinutes(tool: RinseTool, m0: number, limit: number, coat: WashedCoat): number {
  if (m0 <= limit) return 0
  if (tool.kind !== 'cup') return litresToLimit(m0, limit, coat.efficiency, coat.litres) / tool.flow
  const each =
    Math.log(1 + (coat.efficiency * TOOLS.cupLitres.value) / coat.litres) -
    Math.log(squeezeLeaves(coat)) / TOOLS.cupsASqueeze.value
  return Math.ceil(Math.log(m0 / limit) / each - 1e-9) * cupMinutes()
}

/** Residue after some minutes of washing out, mg/m². */
export function residueAfter(tool: RinseTool, m0: number, minutes: number, coat: WashedCoat): number {
  if (tool.kind !== 'cup') return afterShower(m0, coat.efficiency, tool.flow * minutes, coat.litres)
  const cups = minutes / cupMinutes()
  const squeezed = squeezeLeaves(coat) ** (cups / TOOLS.cupsASqueeze.value)
  return afterCups(m0, coat.efficiency, cups, TOOLS.cupLitres.value, coat.litres) * squeezed
}

/** Litres that some minutes of a tool take: a cup pours for less of them, the hands squeeze between. */
export function litresOf(tool: RinseTool, minutes: number): number {
  if (tool.kind !== 'cup') return tool.flow * minutes
  return (minutes / cupMinutes()) * TOOLS.cupLitres.value
}
