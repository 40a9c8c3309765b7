export * from './handwork'
export * from './noise'
