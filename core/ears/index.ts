export * from './decide'
