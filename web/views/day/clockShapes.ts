/** Letters need about this much, px. */
export const LETTER = 7.4

/** A time beside its mark: where, on which side, what. */
export interface Label {
  x: number
  y: number
  textX: number
  textY: number
  anchor: 'start' | 'end'
  text: string
}

/** A line of times under another, px. */
const ROW = 17

/** Places times so that none covers another: right of its mark, else left, else a line lower; `height`: what the lines below the first take, px. */
export function placeLabels(
  marks: { x: number; text: string }[],
  y: number,
  right: number,
): { labels: Label[]; height: number } {
  const taken: { x1: number; x2: number; row: number }[] = []
  const labels = marks.map(({ x, text }) => {
    const width = text.length * LETTER + 4
    // with a row for each there is always one that is free
    const choices = Array.from({ length: marks.length }, (_, row) => row).flatMap((row) => [
      { anchor: 'start' as const, x1: x + 6, x2: x + 6 + width, row },
      { anchor: 'end' as const, x1: x - 6 - width, x2: x - 6, row },
    ])
    const free = choices.find(
      (c) => c.x2 <= right && c.x1 >= 0 && !taken.some((t) => t.row === c.row && t.x1 < c.x2 && c.x1 < t.x2),
    )
    const chosen = free ?? choices[1]!
    taken.push(chosen)
    const textX = chosen.anchor === 'start' ? x + 7 : x - 7
    return { x, y, textX, textY: y + ROW * chosen.row, anchor: chosen.anchor, text }
  })
  return { labels, height: ROW * Math.max(0, ...taken.map((t) => t.row)) }
}

/** The ribbon's outline: a lens with pointed ends. */
export function lens(x1: number, x2: number, y: number, height: number): string {
  const tip = Math.min(height > 20 ? 13 : 8, (x2 - x1) * 0.36)
  const r = height / 2
  const n = (v: number) => v.toFixed(1)
  return (
    `M${n(x1)} ${n(y)}C${n(x1 + tip * 0.55)} ${n(y)} ${n(x1 + tip * 0.3)} ${n(y - r)} ${n(x1 + tip)} ${n(y - r)}` +
    `H${n(x2 - tip)}C${n(x2 - tip * 0.3)} ${n(y - r)} ${n(x2 - tip * 0.55)} ${n(y)} ${n(x2)} ${n(y)}` +
    `C${n(x2 - tip * 0.55)} ${n(y)} ${n(x2 - tip * 0.3)} ${n(y + r)} ${n(x2 - tip)} ${n(y + r)}` +
    `H${n(x1 + tip)}C${n(x1 + tip * 0.3)} ${n(y + r)} ${n(x1 + tip * 0.55)} ${n(y)} ${n(x1)} ${n(y)}Z`
  )
}

/** The thread from the door over a dog's stretches and back to the door. */
export function threadOf(
  ribbons: readonly { x1: number; x2: number; y: number }[],
  xIn: number,
  xOut: number,
  door: number,
): string {
  const n = (v: number) => v.toFixed(1)
  let d = `M${n(xIn)} ${n(door + 3)}`
  let [px, py, first] = [xIn, door + 3, true]
  for (const { x1, x2, y } of ribbons) {
    const [a, b] = [x1 + 1.5, Math.max(x1 + 2, x2 - 1.5)]
    if (first) d += `C${n(px)} ${n((py + y) / 2)} ${n(px)} ${n(y)} ${n(a)} ${n(y)}`
    else {
      const m = (px + a) / 2
      d += `C${n(px + 4)} ${n(py)} ${n(m)} ${n(py)} ${n(m)} ${n((py + y) / 2)}S${n(a - 4)} ${n(y)} ${n(a)} ${n(y)}`
    }
    d += `L${n(b)} ${n(y)}`
    ;[px, py, first] = [b, y, false]
  }
  return `${d}C${n(xOut)} ${n(py)} ${n(xOut)} ${n((py + door) / 2)} ${n(xOut)} ${n(door + 24)}`
}
