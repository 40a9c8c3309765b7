import { spawn } from 'node:child_process'
import { performance } from 'node:perf_hooks'

/** A server that was started: ms until it was ready, its address, and how to end it. */
export interface Run {
  ready: number
  address: string
  stop: () => Promise<void>
}

/** Starts the built server on a data folder. */
export function begin(data: string, env: Record<string, string> = {}): Promise<Run> {
  const began = performance.now()
  const child = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: '0', JUVANT_DATA: data, ...env },
  })
  const left = new Promise<void>((resolve) => child.once('exit', () => resolve()))
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`the server left with ${code}`)))
    child.stdout.on('data', (chunk: Buffer) => {
      const address = /http:\/\/[\d.]+:\d+/.exec(chunk.toString())?.[0]
      if (!address) return
      const stop = () => {
        child.kill('SIGTERM')
        return left
      }
      resolve({ ready: performance.now() - began, address, stop })
    })
  })
}
