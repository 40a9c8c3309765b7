export * from './notice'
export * from './stops'
export * from './cautions'
