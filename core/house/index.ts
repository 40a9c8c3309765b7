export * from './house'
export * from './equipment'
export * from './wishes'
