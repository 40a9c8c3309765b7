import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { test as base, type BrowserContext, type Page } from '@playwright/test'
import { AHEAD_MS } from '../scripts/clock.mjs'
import { setAhead } from '../server/clock'

export { expect } from '@playwright/test'

/** The built program, started on a data folder of a test's own. */
export interface Program {
  child: ChildProcess
  /** Its address, `http://127.0.0.1:port`. */
  address: string
}

const running = new Set<ChildProcess>()
process.once('exit', () => running.forEach((child) => child.kill('SIGKILL')))

/** A new data folder, taken away by `dropFolder`. */
export const newFolder = () => mkdtempSync(join(tmpdir(), 'juvant-e2e-'))
export const dropFolder = (data: string) => rmSync(data, { recursive: true, force: true })

/** Starts the built program (`root`: a copy of it) on a data folder, on a free port unless one is given; answers once it is ready. */
export function startProgram(
  data: string,
  { port = '0', empty = false, root = '.', host = '127.0.0.1', hosts = '' } = {},
): Promise<Program> {
  const env = { ...process.env, NODE_ENV: 'test', PORT: port, HOST: host, JUVANT_HOSTS: hosts, JUVANT_DATA: data }
  const child = spawn(process.execPath, ['dist/server/main.js', ...(empty ? ['--empty'] : [])], { env, cwd: root })
  running.add(child)
  return new Promise((resolve, reject) => {
    let said = ''
    const listen = (chunk: Buffer) => {
      said += chunk.toString()
      const port = /http:\/\/[\d.]+:(\d+)/.exec(said)?.[1]
      if (port) resolve({ child, address: `http://127.0.0.1:${port}` })
    }
    child.stdout.on('data', listen)
    child.stderr.on('data', listen)
    child.on('exit', () => reject(new Error(said)))
  })
}

/** Kills a program at once, as a power cut would. */
export function killProgram({ child }: Program): Promise<void> {
  running.delete(child)
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve()
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()))
  child.kill('SIGKILL')
  return ended
}

/** Makes the pages of a context go by the clock of the run. */
export const goByTheClock = (context: BrowserContext) => context.addInitScript(setAhead, AHEAD_MS)

/** A test with the demonstration, on a server that only the tests of one worker share. */
export const test = base.extend<object, { address: string }>({
  address: [
    async ({}, use) => {
      const data = newFolder()
      const program = await startProgram(data)
      await use(program.address)
      await killProgram(program)
      dropFolder(data)
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: ({ address }, use) => use(address),
  context: async ({ context }, use) => {
    await goByTheClock(context)
    await use(context)
  },
})

/** Takes away whatever this device kept, as clearing the browser's data does. */
export const forgetDevice = (page: Page): Promise<void> =>
  page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        localStorage.clear()
        const opening = indexedDB.open('juvant')
        opening.onerror = () => reject(opening.error)
        opening.onsuccess = () => {
          const clearing = opening.result.transaction('kept', 'readwrite')
          clearing.objectStore('kept').clear()
          clearing.oncomplete = () => resolve()
        }
      }),
  )
