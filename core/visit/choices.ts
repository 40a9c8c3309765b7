import { NO_WAY, type Styling, type Way, type Zone } from '../dog'
import { sameData } from '../same'

/** The lists of a way, each with what tells its entries apart. */
const LISTS = {
  overrides: (o: Way['overrides'][number]) => o.target,
  minutes: (m: Way['minutes'][number]) => m.step,
  products: (p: Way['products'][number]) => `${p.pass} ${p.zones.join()}`,
  skipped: (s: Way['skipped'][number]) => s.step,
  added: (s: Way['added'][number]) => s.id,
  moved: (m: Way['moved'][number]) => m.step,
  split: (s: string) => s,
  anyway: (s: string) => s,
} as const
type ListName = keyof typeof LISTS
const LIST_NAMES = Object.keys(LISTS) as ListName[]
const keyIn = (list: ListName, item: unknown) => (LISTS[list] as (item: unknown) => string)(item)

/** One thing that is done the groomer's own way, told apart by its key from every other of a way. */
export type OwnChoice =
  | { [L in ListName]: { key: string; in: L; value: Way[L][number] } }[ListName]
  | { key: string; in: 'service'; value: Pick<Way, 'service' | 'clipCm' | 'clipTool'> }
  | { key: string; in: 'technique'; value: NonNullable<Way['technique']> }
  | { key: string; in: 'styling'; value: { zone: Zone; styling: Styling } }
  | { key: string; in: 'cut'; value: { zone: Zone; cut: string } }

/** Everything that a way holds, in the order in which it is decided. */
export function choicesOf(way: Way): OwnChoice[] {
  const { service, clipCm, clipTool, technique, styling, cut } = way
  const named = service !== NO_WAY.service
  return [
    ...(named ? [{ key: 'service', in: 'service' as const, value: { service, clipCm, clipTool } }] : []),
    ...(technique ? [{ key: 'technique', in: 'technique' as const, value: technique }] : []),
    ...LIST_NAMES.flatMap((list) =>
      (way[list] as unknown[]).map((value) => ({ key: `${list} ${keyIn(list, value)}`, in: list, value }) as OwnChoice),
    ),
    ...(Object.entries(styling) as [Zone, Styling][]).map(([zone, style]) => ({
      key: `styling ${zone}`,
      in: 'styling' as const,
      value: { zone, styling: style },
    })),
    ...(Object.entries(cut) as [Zone, string][]).map(([zone, by]) => ({
      key: `cut ${zone}`,
      in: 'cut' as const,
      value: { zone, cut: by },
    })),
  ]
}

/** A way without one of its choices. */
export function withoutChoice(way: Way, key: string): Way {
  const [list, ...rest] = key.split(' ')
  if (key === 'service') {
    const { service, clipCm, clipTool } = NO_WAY
    return { ...way, service, clipCm, clipTool }
  }
  if (key === 'technique') return { ...way, technique: null }
  if (list === 'styling') {
    const { [rest.join(' ') as Zone]: _gone, ...styling } = way.styling
    return { ...way, styling }
  }
  if (list === 'cut') {
    const { [rest.join(' ') as Zone]: _gone, ...cut } = way.cut
    return { ...way, cut }
  }
  const name = LIST_NAMES.find((l) => l === list)
  if (!name) return way
  return { ...way, [name]: (way[name] as unknown[]).filter((item) => keyIn(name, item) !== rest.join(' ')) }
}

/** A way with one choice more, in place of what it says of the same. */
export function withChoice(way: Way, choice: OwnChoice): Way {
  const free = withoutChoice(way, choice.key)
  switch (choice.in) {
    case 'service':
      return { ...free, ...choice.value }
    case 'technique':
      return { ...free, technique: choice.value }
    case 'styling':
      return { ...free, styling: { ...free.styling, [choice.value.zone]: choice.value.styling } }
    case 'cut':
      return { ...free, cut: { ...free.cut, [choice.value.zone]: choice.value.cut } }
    default:
      return { ...free, [choice.in]: [...(free[choice.in] as unknown[]), choice.value] }
  }
}

/** Whether a way makes this choice, word for word. */
export const hasChoice = (way: Way | null, choice: OwnChoice): boolean =>
  way !== null && choicesOf(way).some((c) => c.key === choice.key && sameData(c.value, choice.value))
