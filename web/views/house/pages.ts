import { RULE_WORDS, TERM_WORDS } from '@words'

/** The pages of the house, in the order in which people need them, and by what else each is looked for. */
export const HOUSE_PAGES = [
  {
    key: 'hours',
    text: 'Room and hours',
    finds:
      'name works here telephone mail opens closes helper pause time zone temperature humidity floor height air changes window',
  },
  {
    key: 'water',
    text: 'Water and power',
    finds: 'cold hot tap shower hardness hose heater tank heats on at circuit volts fuse watts amps',
  },
  {
    key: 'dryers',
    text: 'Dryers, ears and back',
    finds: 'fan velocity stand hand nozzle motor sound noise earmuffs plugs rating lift height ramp steps muffs',
  },
  { key: 'tub', text: 'Tub, table and crates', finds: 'tubs tables towels chamois lay out kennel cage' },
  {
    key: 'bottles',
    text: 'Bottles and mixing',
    finds: 'bottles jugs marks spray froth bowl proportioner dilution vessel',
  },
  {
    key: 'rules',
    text: 'Rules and habits',
    finds: Object.values(RULE_WORDS)
      .map(({ question }) => question)
      .join(' '),
  },
  {
    key: 'wishes',
    text: 'Wishes of a day',
    finds: Object.values(TERM_WORDS)
      .map(({ name }) => name)
      .join(' '),
  },
  {
    key: 'prices',
    text: 'Prices and learning',
    finds: 'price list ask charge size mats extra reduction wage water electricity currency cost learn forget minutes',
  },
  {
    key: 'units',
    text: 'Units, clock, colours',
    finds: 'pounds kilograms gallons litres fahrenheit celsius inches dark light language contrast date',
  },
  { key: 'instruments', text: 'Instruments', finds: 'thermometer scale power meter sound meter pump practice' },
  {
    key: 'records',
    text: 'Records, backups, devices',
    finds: 'archive export import copy restore deleted bin undo before telephone tablet password role csv',
  },
] as const

/** The pages that a few letters may mean, those whose name says it first; all of them for none. */
export function housePagesFor(text: string): readonly (typeof HOUSE_PAGES)[number][] {
  const wanted = text.trim().toLowerCase()
  const has = (where: string) => where.toLowerCase().includes(wanted)
  const rank = (page: (typeof HOUSE_PAGES)[number]) => (has(page.text) ? 0 : has(page.finds) ? 1 : 2)
  return HOUSE_PAGES.filter((page) => rank(page) < 2).sort((a, b) => rank(a) - rank(b))
}
