export * from './problem'
export {
  arrangeDay,
  findDay,
  handRules,
  holds,
  keepOrder,
  noDay,
  searchDay,
  type Arrangement,
  type NoArrangement,
} from './arrange'
export type { Clash } from './clash'
