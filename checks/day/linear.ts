import type { DayProblem } from '@core/day'

interface Piece {
  name: string
  dog: number
  dur: number
  low: number
  high: number
  unary: string[]
  hot: number
  bath: boolean
}

/**
 * A small day as a mixed-integer program in the LP format, written from the rules of the day and nothing of
 * the search: a start for every task and pause, an order for every two that need the same single thing. For
 * days whose resources are single (or never short), with one tub.
 */
export function linearProgram(problem: DayProblem): string {
  const { horizon, resources, tank, dogs, breaks } = problem
  const single = (uses: Record<string, number>) => Object.keys(uses).filter((r) => uses[r]! > 0 && resources[r] === 1)
  const pieces: Piece[] = dogs.flatMap((dog, d) =>
    dog.tasks.map((t) => ({
      name: t.id,
      dog: d,
      dur: t.dur,
      low: dog.arrive,
      high: horizon - t.dur,
      unary: [...single(t.uses), ...(t.needsDog ? [`dog ${d}`] : [])],
      hot: t.hotDl,
      bath: t.kind === 'bath',
    })),
  )
  for (const b of breaks)
    pieces.push({
      name: b.id,
      dog: -1,
      dur: b.dur,
      low: b.earliest,
      high: b.latest,
      unary: single(b.uses),
      hot: 0,
      bath: false,
    })
  const index = new Map(pieces.map((p, i) => [p.name, i]))
  const M = 2 * horizon
  const rows: string[] = []
  const binaries: string[] = []
  const add = (row: string) => rows.push(` c${rows.length}: ${row}`)

  /** The variable that is 1 when i comes before j, with its sign and constant: before(i, j) = sign·y + constant. */
  const before = (i: number, j: number) =>
    i < j ? { sign: 1, y: `y_${i}_${j}`, constant: 0 } : { sign: -1, y: `y_${j}_${i}`, constant: 1 }
  pieces.forEach((a, i) =>
    pieces.forEach((b, j) => {
      if (j <= i || !a.unary.some((r) => b.unary.includes(r))) return
      binaries.push(`y_${i}_${j}`)
      add(`s_${i} - s_${j} + ${M} y_${i}_${j} <= ${M - a.dur}`)
      add(`s_${j} - s_${i} - ${M} y_${i}_${j} <= ${-b.dur}`)
    }),
  )
  dogs.forEach((dog, d) => {
    dog.tasks.forEach((t) => {
      const i = index.get(t.id)!
      for (const p of t.preds) {
        const k = index.get(p.task)!
        add(`s_${i} - s_${k} >= ${pieces[k]!.dur + p.minGap}`)
        if (p.maxGap !== null) add(`s_${i} - s_${k} <= ${pieces[k]!.dur + p.maxGap}`)
      }
      if ((t.uses.hands ?? 0) > 0) add(`e - s_${i} >= ${t.dur}`)
      if (t.id === dog.readyTask) {
        add(`l_${d} - s_${i} >= ${t.dur - dog.pickup}`)
        add(`r_${d} - s_${i} = ${t.dur - dog.arrive}`)
      }
    })
  })

  const baths = pieces.map((p, i) => ({ ...p, i })).filter((p) => p.bath)
  for (const last of baths.filter((b) => dogs[b.dog]!.lastInTub))
    for (const other of baths.filter((b) => !dogs[b.dog]!.lastInTub)) {
      const o = before(other.i, last.i)
      add(`${o.sign} ${o.y} = ${1 - o.constant}`)
    }
  const rate = tank.recoveryDlPerMin
  for (const j of baths) {
    const others = baths.filter((k) => k !== j).map((k) => ({ ...before(k.i, j.i), hot: k.hot }))
    const known = others.reduce((sum, o) => sum + o.constant * o.hot, 0)
    add(
      `${rate} s_${j.i} ${others.map((o) => `${-o.sign * o.hot >= 0 ? '+' : '-'} ${Math.abs(o.hot)} ${o.y}`).join(' ')} >= ${
        j.hot + known - tank.initialDl - rate * j.dur
      }`,
    )
    if (tank.capacityDl + rate * j.dur < j.hot) add(`s_${j.i} <= -1`)
    for (const i of baths.filter((b) => b !== j)) {
      const big = 4 * (tank.capacityDl + rate * horizon + baths.reduce((s, b) => s + b.hot, 0))
      const order = before(i.i, j.i)
      const between = baths.filter((k) => k !== i && k !== j)
      const terms = between.map((k) => {
        const z = `z_${i.i}_${k.i}_${j.i}`
        const [ik, kj] = [before(i.i, k.i), before(k.i, j.i)]
        binaries.push(z)
        add(
          `${z} ${ik.sign > 0 ? '-' : '+'} ${ik.y} ${kj.sign > 0 ? '-' : '+'} ${kj.y} >= ${ik.constant + kj.constant - 1}`,
        )
        return `- ${k.hot} ${z}`
      })
      add(
        `${rate} s_${j.i} - ${rate} s_${i.i} ${terms.join(' ')} ${order.sign > 0 ? '-' : '+'} ${big} ${order.y} >= ${
          i.hot + j.hot - tank.capacityDl - rate * j.dur - big + big * order.constant
        }`,
      )
    }
  }
  const objective = [...dogs.map((_, d) => `1000 l_${d}`), '10 e', ...dogs.map((_, d) => `r_${d}`)].join(' + ')
  return [
    'Minimize',
    ` obj: ${objective}`,
    'Subject To',
    ...rows,
    'Bounds',
    ...pieces.map((p, i) => ` ${p.low} <= s_${i} <= ${p.high}`),
    'General',
    ` ${pieces.map((_, i) => `s_${i}`).join(' ')}`,
    'Binary',
    ` ${[...new Set(binaries)].join(' ')}`,
    'End',
  ].join('\n')
}
