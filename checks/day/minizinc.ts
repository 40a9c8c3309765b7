import { createRequire } from 'node:module'
import { Worker } from 'node:worker_threads'
import type { DayProblem } from '@core/day'

/** What the engine came to: the best objective it found, if any, and whether it says that none is better. */
export interface Answer {
  objective?: number
  proven: boolean
  ms: number
}

const list = (values: readonly (string | number)[]) => `[${values.join(', ')}]`

/**
 * A day as a constraint model in MiniZinc, written from the rules of the day and nothing of the search: a start for every
 * task and pause, the global constraints `disjunctive` and `cumulative` for what is held. For days with one tub, in which
 * no two draws of water overlap. `below`: only days with fewer points are looked for.
 */
export function constraintModel(problem: DayProblem, below = Infinity): string {
  const { horizon, resources, tank, dogs, breaks } = problem
  const tasks = dogs.flatMap((dog, d) => dog.tasks.map((t) => ({ ...t, dog: d, arrive: dog.arrive })))
  const at = new Map(tasks.map((t, i) => [t.id, `s[${i + 1}]`]))
  const endOf = (i: number) => `s[${i + 1}] + ${tasks[i]!.dur}`
  const lines = [
    'include "disjunctive.mzn";',
    'include "cumulative.mzn";',
    `array[1..${tasks.length}] of var 0..${horizon}: s;`,
    `array[1..${breaks.length}] of var 0..5000: p;`,
  ]
  const rule = (text: string) => lines.push(`constraint ${text};`)
  tasks.forEach((t, i) => {
    const low = Math.max(t.arrive, t.earliest ?? 0)
    const high = Math.min(horizon - t.dur, t.latest ?? Infinity)
    rule(`s[${i + 1}] >= ${low} /\\ s[${i + 1}] <= ${high}`)
    for (const { task, minGap, maxGap } of t.preds) {
      const end = `${at.get(task)} + ${tasks.find((o) => o.id === task)!.dur}`
      rule(`s[${i + 1}] >= ${end} + ${minGap}`)
      if (maxGap !== null) rule(`s[${i + 1}] <= ${end} + ${maxGap}`)
    }
  })
  breaks.forEach((b, k) => rule(`p[${k + 1}] >= ${b.earliest} /\\ p[${k + 1}] <= ${b.latest}`))
  dogs.forEach((_, d) => {
    const own = tasks.flatMap((t, i) => (t.dog === d && t.needsDog ? [i] : []))
    rule(`disjunctive(${list(own.map((i) => `s[${i + 1}]`))}, ${list(own.map((i) => tasks[i]!.dur))})`)
  })
  for (const [name, capacity] of Object.entries(resources)) {
    const held = [
      ...tasks.map((t, i) => ({ start: `s[${i + 1}]`, dur: t.dur, amount: t.uses[name] ?? 0 })),
      ...breaks.map((b, k) => ({ start: `p[${k + 1}]`, dur: b.dur, amount: b.uses[name] ?? 0 })),
    ].filter((h) => h.amount > 0)
    if (held.reduce((sum, h) => sum + h.amount, 0) <= capacity) continue
    const starts = list(held.map((h) => h.start))
    const durs = list(held.map((h) => h.dur))
    rule(
      capacity === 1
        ? `disjunctive(${starts}, ${durs})`
        : `cumulative(${starts}, ${durs}, ${list(held.map((h) => h.amount))}, ${capacity})`,
    )
  }
  const baths = tasks.flatMap((t, i) => (t.hotDl > 0 ? [i] : []))
  const { capacityDl, initialDl, recoveryDlPerMin } = tank
  const drawn = (from: number | undefined, to: number) =>
    baths
      .map((k) => {
        const after = from === undefined ? '' : `s[${from + 1}] <= s[${k + 1}] /\\ `
        return `${tasks[k]!.hotDl} * bool2int(${after}s[${k + 1}] <= s[${to + 1}])`
      })
      .join(' + ')
  for (const j of baths) {
    rule(`${initialDl} + ${recoveryDlPerMin} * (${endOf(j)}) >= ${drawn(undefined, j)}`)
    for (const i of baths)
      rule(
        `s[${i + 1}] <= s[${j + 1}] -> ${capacityDl} + ${recoveryDlPerMin} * (${endOf(j)} - s[${i + 1}]) >= ${drawn(i, j)}`,
      )
  }
  const bathed = tasks.flatMap((t, i) => (t.kind === 'bath' ? [i] : []))
  for (const i of bathed.filter((k) => dogs[tasks[k]!.dog]!.lastInTub))
    for (const j of bathed.filter((k) => !dogs[tasks[k]!.dog]!.lastInTub)) rule(`s[${i + 1}] >= ${endOf(j)}`)
  const ends = dogs.map((dog) => endOf(tasks.findIndex((t) => t.id === dog.readyTask)))
  const late = dogs.map((dog, d) => `max(0, ${ends[d]} - ${dog.pickup})`).join(' + ')
  const stays = dogs.map((dog, d) => `${ends[d]} - ${dog.arrive}`).join(' + ')
  const byHand = tasks.flatMap((t, i) => ((t.uses.hands ?? 0) > 0 ? [endOf(i)] : []))
  lines.push(
    `var 0..${horizon}: last;`,
    ...byHand.map((e) => `constraint last >= ${e};`),
    `var 0..100000000: points = 1000 * (${late}) + 10 * last + ${stays};`,
    ...(below < Infinity ? [`constraint points < ${below};`] : []),
    'solve minimize points;',
    'output ["{\\"points\\": \\(points)}"];',
  )
  return lines.join('\n')
}

const require = createRequire(import.meta.url)
const ENGINE = {
  worker: require.resolve('minizinc/minizinc-worker.js'),
  wasm: require.resolve('minizinc/minizinc.wasm'),
  data: require.resolve('minizinc/minizinc.data'),
}

/** What the engine's script asks of a page's worker, for a thread of Node. */
const AS_IN_A_PAGE = `
const { parentPort, workerData } = require('node:worker_threads')
globalThis.self = globalThis
globalThis.WorkerGlobalScope = function () {}
globalThis.location = { href: workerData }
globalThis.postMessage = (message) => parentPort.postMessage(message)
globalThis.addEventListener = (_, hear) => parentPort.on('message', (data) => hear({ data }))
globalThis.importScripts = () => undefined
require('node:vm').runInThisContext(require('node:fs').readFileSync(workerData, 'utf8'))
`

interface Heard {
  type: string
  output?: { default?: string }
  status?: string
  message?: string
  value?: string
}

/** Solves a day by a general constraint engine (Chuffed, compiled to WebAssembly), at most so many milliseconds. */
export async function byConstraints(problem: DayProblem, budgetMs: number, below = Infinity): Promise<Answer> {
  const worker = new Worker(AS_IN_A_PAGE, {
    eval: true,
    workerData: ENGINE.worker,
    resourceLimits: { stackSizeMb: 32 },
  })
  const began = performance.now()
  try {
    return await new Promise<Answer>((resolve, reject) => {
      const answer: Answer = { proven: false, ms: 0 }
      const end = () => resolve({ ...answer, ms: performance.now() - began })
      const timer = setTimeout(end, budgetMs)
      worker.on('error', reject)
      worker.on('message', (heard: Heard) => {
        if (heard.type === 'ready') {
          const files = { 'day.mzn': constraintModel(problem, below) }
          const args = ['--solver', 'chuffed', '-f', '-i', 'day.mzn']
          worker.postMessage({ jsonStream: true, files, args })
        } else if (heard.type === 'solution') {
          answer.objective = JSON.parse(heard.output!.default!).points
        } else if (heard.type === 'status') {
          answer.proven = heard.status === 'OPTIMAL_SOLUTION' || heard.status === 'UNSATISFIABLE'
        } else if (heard.type === 'error') reject(new Error(heard.message))
        else if (heard.type === 'exit') {
          clearTimeout(timer)
          end()
        }
      })
      worker.postMessage({ wasmURL: ENGINE.wasm, dataURL: ENGINE.data })
    })
  } finally {
    await worker.terminate()
  }
}
