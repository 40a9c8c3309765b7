export * from './handwork'
export * from './lifting'
export * from './noise'
export * from './protector'
