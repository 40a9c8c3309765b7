import { createHash } from 'node:crypto'
import { closeSync, existsSync, openSync, realpathSync, rmSync } from 'node:fs'
import { connect, createServer, type Server } from 'node:net'
import { join, relative } from 'node:path'

/** Thrown when another process holds the data folder. */
export class FolderInUse extends Error {
  constructor(folder: string) {
    super(
      `Another Juvant is already using the data folder ${folder}. Stop it first, or choose another folder with JUVANT_DATA.`,
    )
  }
}

/** The file in the data folder by which its holder is known. */
export const LOCK = 'in-use.sock'
/** The longest name that a local socket may have on all systems, bytes. */
const LONGEST = 100

/** A name for the socket in the folder that is short enough, and what to let go of afterwards. */
function socketIn(folder: string): { path: string; done: () => void } {
  const real = realpathSync(folder)
  const keep = { done: () => undefined }
  if (process.platform === 'win32') {
    const name = createHash('sha256').update(real.toLowerCase()).digest('hex').slice(0, 24)
    return { path: `\\\\.\\pipe\\juvant-${name}`, ...keep }
  }
  const whole = join(real, LOCK)
  const short = [whole, relative(process.cwd(), whole)].find((p) => Buffer.byteLength(p) <= LONGEST)
  if (short !== undefined) return { path: short, ...keep }
  if (process.platform !== 'linux')
    throw new Error(`The name of the data folder ${folder} is too long. Choose a shorter one with JUVANT_DATA.`)
  // a folder that is open has a short name too
  const held = openSync(real, 'r')
  return { path: `/proc/self/fd/${held}/${LOCK}`, done: () => closeSync(held) }
}

function listen(path: string): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = createServer((socket) => socket.end())
    server.once('error', reject)
    server.listen(path, () => {
      server.unref()
      resolve(server)
    })
  })
}

function answers(path: string): Promise<boolean> {
  return new Promise((resolve) => {
    const socket = connect(path)
    socket.once('connect', () => {
      socket.destroy()
      resolve(true)
    })
    socket.once('error', () => resolve(false))
  })
}

/** How often the holder looks whether its socket is still there, ms: whoever tidies folders may have taken it away. */
const LOOK_MS = 1000

/**
 * Holds a data folder for this process until the answered function is called. The holder listens on a socket in the
 * folder itself, so that whoever reaches the folder sees it, and the lock of a killed process is seen to be dead at
 * once. A socket that was taken away is made again; `lost`: another took the folder meanwhile. Throws FolderInUse.
 */
export async function lockFolder(
  folder: string,
  lost: () => void = () => undefined,
  lookMs = LOOK_MS,
): Promise<() => Promise<void>> {
  const { path, done } = socketIn(folder)
  let server: Server
  try {
    server = await listen(path)
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error
    if (await answers(path)) throw new FolderInUse(folder)
    rmSync(path, { force: true })
    server = await listen(path)
  }
  let made: Promise<void> | undefined
  const look = () => {
    if (process.platform === 'win32' || made || existsSync(path)) return
    made = listen(path)
      .then((next) => {
        // closing one takes away whatever is there by its name: the old one isn't closed, nobody reaches it any more
        server = next
        made = undefined
      })
      .catch((error: NodeJS.ErrnoException) => {
        made = undefined
        if (error.code === 'EADDRINUSE') lost()
      })
  }
  const looking = setInterval(look, lookMs).unref()
  return async () => {
    clearInterval(looking)
    await made
    await new Promise<void>((resolve) => server.close(() => (done(), resolve())))
  }
}
