export * from './bearing'
export { LADDER, ladderOf, type LadderStep } from './ladder'
export * from './plan'
