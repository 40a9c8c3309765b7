export * from './simulate'
