import { closeSync, fdatasyncSync, fsyncSync, openSync } from 'node:fs'
import { open } from 'node:fs/promises'
import { PGlite } from '@electric-sql/pglite'
import { NodeFS } from '@electric-sql/pglite/nodefs'

/** An open file as the database's own file layer has it. */
interface Stream {
  node: object
  nfd?: number | null
}
type Write = (stream: Stream, ...rest: unknown[]) => number
/** The part of that layer that is changed here. */
interface FileLayer {
  NODEFS: {
    realPath(node: object): string
    stream_ops: { write: Write; fsync?: (stream: Stream) => number }
    node_ops: {
      rename(node: object, folder: object, name: string): void
      unlink(folder: object, name: string): void
    }
  }
}

/** How the embedded database is started so that it asks for its files to be on disk, in its own order. */
export const DURABLE_START = [
  ...(PGlite as unknown as { defaultStartParams: string[] }).defaultStartParams.filter((p) => p !== '-F'),
  '-c',
  // of the ways it knows, the one that its file layer passes on
  'wal_sync_method=fsync',
]

/** A part of the log under its own name; one that is being made isn't it yet. */
const isLog = (path: string) => /\/pg_wal\/[0-9A-F]{24}$/.test(path)

function sync(path: string) {
  const file = openSync(path, 'r')
  try {
    fsyncSync(file)
  } finally {
    closeSync(file)
  }
}

/**
 * The database's files on disk, where "written" means written: what the database asks to be synced is. The log of
 * commits is synced for all that wait at once (`flush`), off the program's own thread; before any other file is
 * written, and so before anything that the log must be ahead of, it is synced at once.
 */
export class DurableFiles extends NodeFS {
  /** Parts of the log with commits that aren't on disk yet, and those that are being synced. */
  private readonly behind = new Set<string>()
  private readonly inHand = new Set<string>()
  private now: Promise<void> | undefined
  private next: Promise<void> | undefined
  private failed: Error | undefined

  override async init(...given: Parameters<NodeFS['init']>): ReturnType<NodeFS['init']> {
    const made = await super.init(...given)
    const { emscriptenOpts } = made
    emscriptenOpts.preRun = [...(emscriptenOpts.preRun ?? []), (layer) => this.watch(layer as unknown as FileLayer)]
    return made
  }

  private watch({ NODEFS }: FileLayer) {
    const { stream_ops: ops, node_ops: nodes } = NODEFS
    const { write } = ops
    const { rename, unlink } = nodes
    ops.write = (stream, ...rest) => {
      if (this.behind.size + this.inHand.size > 0 && !isLog(NODEFS.realPath(stream.node))) this.flushAtOnce()
      return write(stream, ...rest)
    }
    ops.fsync = (stream) => {
      const path = NODEFS.realPath(stream.node)
      if (typeof stream.nfd !== 'number') sync(path)
      else if (isLog(path)) this.behind.add(path)
      else fdatasyncSync(stream.nfd)
      return 0
    }
    // after a checkpoint older parts of the log go, or become later ones
    nodes.rename = (node, folder, name) => {
      this.settle(NODEFS.realPath(node))
      rename(node, folder, name)
    }
    nodes.unlink = (folder, name) => {
      this.settle(`${NODEFS.realPath(folder)}/${name}`)
      unlink(folder, name)
    }
  }

  /** Syncs a part of the log under the name that it is about to lose. */
  private settle(path: string) {
    if (!this.behind.has(path) && !this.inHand.has(path)) return
    sync(path)
    this.behind.delete(path)
    this.inHand.delete(path)
  }

  private flushAtOnce() {
    for (const path of [...this.behind, ...this.inHand]) this.settle(path)
  }

  private async syncBehind() {
    const paths = [...this.behind]
    this.behind.clear()
    for (const path of paths) this.inHand.add(path)
    for (const path of paths) {
      if (!this.inHand.has(path)) continue
      try {
        const file = await open(path, 'r')
        await file.datasync().finally(() => file.close())
      } catch (error) {
        // it was synced meanwhile, as it lost its name
        if (this.inHand.has(path)) throw error
      }
      this.inHand.delete(path)
    }
  }

  /** Answers once every commit made so far is on disk; throws, from then on always, where the disk failed. */
  flush(): Promise<void> {
    if (this.failed) return Promise.reject(this.failed)
    if (this.behind.size === 0) return this.now ?? Promise.resolve()
    const begin = async () => {
      this.next = undefined
      const syncing = this.syncBehind().catch((error: Error) => {
        this.failed = error
        throw error
      })
      this.now = syncing.finally(() => (this.now = undefined))
      return this.now
    }
    return (this.next ??= (this.now ?? Promise.resolve()).then(begin, begin))
  }
}
