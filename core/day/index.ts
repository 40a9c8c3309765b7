export * from './problem'
export { arrangeDay, handRules, type Arrangement, type ArrangeOptions, type NoArrangement } from './arrange'
