import { simulate, type Fault, type InstrumentKind, type Reading, type Scene } from '@core/instruments'

/** One thing that measures: asked at a time (ms), it answers a reading, or nothing when it is silent. */
export interface Instrument {
  kind: InstrumentKind
  read(at: number): Reading | undefined
}

/** How a made-up instrument stands. */
export interface Standing {
  kind: InstrumentKind
  fault: Fault
}

/** Made-up instruments for practice and trial: what they stand for, each with its fault, and the load on the scale. */
export interface Practice {
  standing(): Standing[]
  setFault(kind: InstrumentKind, fault: Fault): void
  grams: number
  /** The instrument of a kind as it measures a scene that began at a time. */
  instrument(kind: InstrumentKind, scene: Scene, began: number): Instrument
}

const KINDS: readonly InstrumentKind[] = ['thermometer', 'scale', 'hygrometer', 'power', 'sound']

/** A set of made-up instruments without faults. `now`: the clock, ms. */
export function practiceInstruments(now: () => number = Date.now): Practice {
  const faults = new Map<InstrumentKind, { fault: Fault; since: number }>()
  const faultOf = (kind: InstrumentKind) => faults.get(kind) ?? { fault: 'none' as const, since: 0 }
  return {
    grams: 0,
    standing: () => KINDS.map((kind) => ({ kind, fault: faultOf(kind).fault })),
    setFault: (kind, fault) => void faults.set(kind, { fault, since: now() }),
    instrument: (kind, scene, began) => ({
      kind,
      read: (at) => {
        const { fault, since } = faultOf(kind)
        const seconds = (at - began) / 1000
        const faulty = Math.max(0, (at - Math.max(since, began)) / 1000)
        const reading = simulate(kind, scene, seconds, { fault, faulty, seed: 1 + KINDS.indexOf(kind) })
        return reading && { ...reading, at }
      },
    }),
  }
}
