export * from './problem'
export { arrangeDay, handRules, noDay, searchDay, type Arrangement } from './arrange'
