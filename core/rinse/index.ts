export * from './residue'
export * from './plan'
export * from './places'
export * from './tool'
