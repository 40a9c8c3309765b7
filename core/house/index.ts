export * from './house'
export * from './equipment'
