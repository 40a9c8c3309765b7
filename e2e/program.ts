import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
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

/** A folder with the demonstration as a first start left it, made once for the run (`e2e/setup.ts`). */
export function demonstrationFolder(): string {
  const data = newFolder()
  cpSync(process.env.JUVANT_TEST_DEMONSTRATION!, data, { recursive: true, filter: (file) => !file.endsWith('.sock') })
  return data
}

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

const end = ({ child }: Program, signal: NodeJS.Signals): Promise<void> => {
  running.delete(child)
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve()
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()))
  child.kill(signal)
  return ended
}
/** Kills a program at once, as a power cut would. */
export const killProgram = (program: Program) => end(program, 'SIGKILL')
/** Ends a program as its user does. */
export const endProgram = (program: Program) => end(program, 'SIGTERM')

/** Makes the pages of a context go by the clock of the run. They know of no dictation: the engine without its browser ends a page that asks for it. */
export async function goByTheClock(context: BrowserContext, setsOwn = false) {
  if (!setsOwn) await context.addInitScript(setAhead, AHEAD_MS)
  await context.addInitScript(() => Reflect.deleteProperty(window, 'SpeechRecognition'))
  // what a recipe folds up is open, unless a test folds it
  await context.addInitScript(() => {
    try {
      if (localStorage.getItem('juvant.recipe.all') === null) localStorage.setItem('juvant.recipe.all', 'true')
    } catch {
      // a page without storage
    }
  })
}

const SIZE = { width: 1280, height: 800 }
/** What a page is like that every test of a worker begins with. */
const USUAL = { viewport: SIZE, locale: 'en-GB', serviceWorkers: 'block', reducedMotion: 'reduce' } as const

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

/** Makes a page as a new one is, but for what the browser has read already: away from the program, with nothing kept. */
async function asNew(page: Page, address: string) {
  const context = page.context()
  for (const other of context.pages()) if (other !== page) await other.close()
  await context.setOffline(false)
  await context.unrouteAll({ behavior: 'ignoreErrors' })
  await page.unrouteAll({ behavior: 'ignoreErrors' })
  await page.removeAllListeners()
  // of the same place, so that what it kept can be reached; no page of the program, which might keep more
  await page.goto(`${address}/icon.svg`)
  await context.clearCookies()
  await page.evaluate(async () => {
    localStorage.clear()
    sessionStorage.clear()
    for (const { name } of await indexedDB.databases()) {
      const gone = indexedDB.deleteDatabase(name!)
      await new Promise((resolve) => (gone.onsuccess = gone.onerror = resolve))
    }
  })
  await page.setViewportSize(SIZE)
  await page.emulateMedia({ colorScheme: null, media: null, reducedMotion: 'reduce' })
}

/**
 * What a test's program holds: the demonstration, that or an empty room shared by the tests of one worker one after the
 * other; the demonstration as nobody has touched it; or an empty room of the test's own.
 */
export type Room = 'demonstration' | 'empty' | 'untouched' | 'own'

interface Rooms {
  /** The program of a room, started when it is first asked for. */
  program(room: Exclude<Room, 'own'>): Promise<Program>
  /** The context of the page that the tests of a room share, and that page. */
  context(room: Exclude<Room, 'own'>): Promise<BrowserContext>
  page(room: Exclude<Room, 'own'>): Promise<Page>
}
/** After how many tests a page is closed for another one: what it has held isn't all given back. */
const TESTS_OF_A_PAGE = 8

const once = <K, V>(make: (key: K) => Promise<V>) => {
  const made = new Map<K, Promise<V>>()
  return { made, of: (key: K) => made.get(key) ?? made.set(key, make(key)).get(key)! }
}

/**
 * A test on a program that it shares with others of its worker, and on a page that it shares too, which begins each test
 * as a new one does. A test that changes what can't be put back, or is about a first visit, asks for a browser that was
 * never here (`coldTest`).
 */
export const test = base.extend<
  { cold: boolean; setsClock: boolean; touch: boolean; room: Room; program: Program; address: string },
  { rooms: Rooms }
>({
  cold: [false, { option: true }],
  setsClock: [false, { option: true }],
  touch: [false, { option: true }],
  room: ['demonstration', { option: true }],
  rooms: [
    async ({ browser }, use) => {
      const folders: string[] = []
      const programs = once(async (room: Exclude<Room, 'own'>) => {
        const data = room === 'empty' ? newFolder() : demonstrationFolder()
        folders.push(data)
        return startProgram(data, { empty: room === 'empty' })
      })
      const contexts = once(async (room: Exclude<Room, 'own'>) => {
        const { address } = await programs.of(room)
        const context = await browser.newContext({ ...USUAL, baseURL: address })
        await goByTheClock(context)
        return context
      })
      const taken = new Map<Room, { page: Page; tests: number }>()
      await use({
        program: programs.of,
        context: contexts.of,
        async page(room) {
          const now = taken.get(room)
          if (now && now.tests < TESTS_OF_A_PAGE && !now.page.isClosed()) return (now.tests++, now.page)
          const page = await (await contexts.of(room)).newPage()
          await now?.page.close()
          taken.set(room, { page, tests: 1 })
          return page
        },
      })
      for (const context of contexts.made.values()) await (await context).close()
      for (const program of programs.made.values()) await killProgram(await program)
      folders.forEach(dropFolder)
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  program: async ({ room, rooms }, use) => {
    if (room !== 'own') return use(await rooms.program(room))
    const data = newFolder()
    const program = await startProgram(data, { empty: true })
    await use(program)
    await killProgram(program)
    dropFolder(data)
  },
  address: ({ program }, use) => use(program.address),
  baseURL: ({ address }, use) => use(address),
  context: async ({ cold, setsClock, touch, room, rooms, browser, baseURL, serviceWorkers }, use) => {
    if (!cold && room !== 'own') return use(await rooms.context(room))
    const context = await browser.newContext({ ...USUAL, baseURL, serviceWorkers, hasTouch: touch })
    await goByTheClock(context, setsClock)
    await use(context)
    await context.close()
  },
  page: async ({ cold, room, rooms, context, address }, use) => {
    if (cold || room === 'own') return use(await context.newPage())
    const page = await rooms.page(room)
    await asNew(page, address)
    await use(page)
  },
})

/** The same with a browser that was never here. */
export const coldTest = test.extend({ cold: true })

/** The same for a test that sets the clock of its pages itself (`page.clock`). */
export const clockTest = test.extend({ cold: true, setsClock: true })

/** The same with a screen that fingers work. */
export const touchTest = test.extend({ cold: true, touch: true })
