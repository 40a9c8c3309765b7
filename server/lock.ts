import { createHash } from 'node:crypto'
import { realpathSync, rmSync } from 'node:fs'
import { connect, createServer, type Server } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** Thrown when another process holds the data folder. */
export class FolderInUse extends Error {
  constructor(folder: string) {
    super(
      `Another Juvant is already using the data folder ${folder}. Stop it first, or choose another folder with JUVANT_DATA.`,
    )
  }
}

function socketOf(folder: string): string {
  const name = createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 24)
  return process.platform === 'win32' ? `\\\\.\\pipe\\juvant-${name}` : join(tmpdir(), `juvant-${name}.sock`)
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

/**
 * Holds a data folder for this process until the answered function is called. The holder listens on a
 * local socket, so that the lock of a killed process is seen to be dead at once. Throws FolderInUse.
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
  const path = socketOf(folder)
  let server: Server
  try {
    server = await listen(path)
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error
    if (await answers(path)) throw new FolderInUse(folder)
    rmSync(path, { force: true })
    server = await listen(path)
  }
  return () => new Promise((resolve) => server.close(() => resolve()))
}
