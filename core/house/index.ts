export * from './house'
export * from './equipment'
export * from './wishes'
export * from './places'
