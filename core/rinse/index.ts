export * from './residue'
export * from './plan'
