import { fileURLToPath } from 'node:url'

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** The floors by their names, as every tool that resolves imports is told them. */
export const FLOORS = [
  { find: /^@core\//, replacement: at('./core/') },
  { find: '@words', replacement: at('./words/index.ts') },
  // the facts of endpoints without their schemas, for what runs before any view
  { find: /^@contract\/rows$/, replacement: at('./contract/rows.ts') },
  { find: /^@contract$/, replacement: at('./contract/index.ts') },
]
