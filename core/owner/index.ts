export * from './answers'
export * from './record'
