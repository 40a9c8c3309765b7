export default {
  testEnvironment: 'node',
  roots: [
    '<rootDir>/core',
    '<rootDir>/words',
    '<rootDir>/contract',
    '<rootDir>/server',
    '<rootDir>/web',
    '<rootDir>/demo',
    '<rootDir>/checks',
    '<rootDir>/docs',
  ],
  testMatch: ['**/*.test.ts'],
  extensionsToTreatAsEsm: ['.ts'],
  transform: {
    '^.+\\.ts$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'es6' } },
    ],
  },
  maxWorkers: 2,
  testTimeout: 60_000,
}
