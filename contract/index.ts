export * from './problem'
export * from './records'
export * from './reckon'
export * from './day'
