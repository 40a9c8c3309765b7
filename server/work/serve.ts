import { parentPort } from 'node:worker_threads'
import { runJob, type Heard, type Jobs, type Sent } from './work'

/** Does the jobs that are sent to this thread, one after the other. */
export function serveJobs(jobs: Jobs): void {
  const tell = (heard: Heard) => parentPort!.postMessage(heard)
  parentPort!.on('message', ({ id, job, input }: Sent) => {
    tell({ id, began: true })
    void Promise.resolve()
      .then(() => runJob(jobs[job]!, input, (part) => tell({ id, part })))
      .then((result) => tell({ id, result }))
      .catch((error: unknown) =>
        tell({ id, error: error instanceof Error ? (error.stack ?? error.message) : String(error) }),
      )
  })
}
