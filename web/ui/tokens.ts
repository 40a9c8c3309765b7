/** A dog's own colours: of its strokes and names, and of the ground under them. */
export interface Pair {
  stroke: string
  tint: string
}

/** The colours of Juvant by what they are for. Text and lines that carry meaning reach 4.5 to 1 on their ground. */
export interface Palette {
  /** The page, the working surfaces on it, and what lies under a glass of its own. */
  ground: string
  enamel: string
  ink: string
  ink2: string
  /** Hairlines, which carry no meaning, and the edges of fields, which do. */
  rule: string
  rule2: string
  edge: string
  /** Basin rims, what can be done, what is current; and text on it. */
  rim: string
  onRim: string
  rimTint: string
  water: string
  waterTint: string
  waterPale: string
  volt: string
  voltTint: string
  noise: string
  noiseTint: string
  ok: string
  okTint: string
  watch: string
  watchTint: string
  stop: string
  stopTint: string
  /** The far side of a drawn body, and the wash of its zones from little to much. */
  far: string
  ramp: readonly [string, string, string, string, string]
  /** Series of a chart, apart from each other without colour vision too: fill and edge. */
  series: readonly Pair[]
  dogs: readonly Pair[]
  /** A coat as it is drawn on a body: its ground, and the hairs on it. */
  shades: Readonly<Record<'white' | 'cream' | 'gold' | 'red' | 'brown' | 'grey' | 'black', Pair>>
}

/** By day: white enamel, cobalt rim, wet stone. */
export const LIGHT: Palette = {
  ground: '#dfe5e6',
  enamel: '#fafbf8',
  ink: '#13242b',
  ink2: '#43555c',
  rule: '#b7c3c6',
  rule2: '#d3dbdc',
  edge: '#6f8086',
  rim: '#1f3f94',
  onRim: '#ffffff',
  rimTint: '#dee4f3',
  water: '#14646f',
  waterTint: '#bfe0e2',
  waterPale: '#e0f0f0',
  volt: '#6e5200',
  voltTint: '#f1e2b4',
  noise: '#5a3e7a',
  noiseTint: '#e3daee',
  ok: '#1d6042',
  okTint: '#d6eadd',
  watch: '#7a4b00',
  watchTint: '#f8e4b8',
  stop: '#9e2a1a',
  stopTint: '#f9ddd5',
  far: '#c6cfd1',
  ramp: ['#fafbf8', '#eaf4f4', '#d3e9ea', '#b4dadd', '#8cc6cb'],
  series: [
    { tint: '#33597a', stroke: '#33597a' },
    { tint: '#bfe0e2', stroke: '#14646f' },
    { tint: '#86441d', stroke: '#86441d' },
    { tint: '#e3daee', stroke: '#5a3e7a' },
    { tint: '#875a00', stroke: '#875a00' },
  ],
  dogs: [
    { stroke: '#33597a', tint: '#d3e0eb' },
    { stroke: '#54487a', tint: '#dedaec' },
    { stroke: '#86441d', tint: '#f2ddcc' },
    { stroke: '#1f6640', tint: '#cfe6d7' },
    { stroke: '#7a5000', tint: '#f6e5b6' },
    { stroke: '#25363d', tint: '#cdd6d9' },
    { stroke: '#77285f', tint: '#eed6e6' },
    { stroke: '#0f5f63', tint: '#cbe4e4' },
  ],
  shades: {
    white: { tint: '#fafbf8', stroke: '#8b9ca1' },
    cream: { tint: '#f6eedd', stroke: '#a98f5e' },
    gold: { tint: '#f0dcae', stroke: '#9c7424' },
    red: { tint: '#ecc9b0', stroke: '#95502a' },
    brown: { tint: '#d9c3b2', stroke: '#6d4a33' },
    grey: { tint: '#d6dbdd', stroke: '#5f6e76' },
    black: { tint: '#a9b3b8', stroke: '#2b383f' },
  },
}

/** For a dark room: slate, a pale rim, the same shapes. */
export const DARK: Palette = {
  ground: '#0f181c',
  enamel: '#1a272d',
  ink: '#e9efee',
  ink2: '#acbbc0',
  rule: '#3a4c54',
  rule2: '#2b3a41',
  edge: '#84969c',
  rim: '#a3b9f7',
  onRim: '#0f1a3a',
  rimTint: '#263558',
  water: '#7fccd4',
  waterTint: '#1f4c52',
  waterPale: '#19373c',
  volt: '#e3c45f',
  voltTint: '#40360f',
  noise: '#c9aee8',
  noiseTint: '#3b2c4d',
  ok: '#84cfa7',
  okTint: '#1e3f2f',
  watch: '#f1c06c',
  watchTint: '#44340f',
  stop: '#ff9f8c',
  stopTint: '#50221a',
  far: '#4b5a61',
  ramp: ['#1a272d', '#1b3338', '#1d4046', '#1f4f56', '#226069'],
  series: [
    { tint: '#8db4d8', stroke: '#8db4d8' },
    { tint: '#1f4c52', stroke: '#7fccd4' },
    { tint: '#e0a077', stroke: '#e0a077' },
    { tint: '#3b2c4d', stroke: '#c9aee8' },
    { tint: '#dcb452', stroke: '#dcb452' },
  ],
  dogs: [
    { stroke: '#9dc3e6', tint: '#22394c' },
    { stroke: '#bdb2ea', tint: '#35304c' },
    { stroke: '#ecad85', tint: '#4a2e1c' },
    { stroke: '#8bd1a6', tint: '#1f4030' },
    { stroke: '#e8c26b', tint: '#43340f' },
    { stroke: '#c3d0d5', tint: '#334249' },
    { stroke: '#e8a3d2', tint: '#492440' },
    { stroke: '#7fd0d2', tint: '#184346' },
  ],
  shades: {
    white: { tint: '#46565c', stroke: '#c3d0d3' },
    cream: { tint: '#413b2d', stroke: '#b3a075' },
    gold: { tint: '#463a1e', stroke: '#c9a04c' },
    red: { tint: '#4a3022', stroke: '#c58459' },
    brown: { tint: '#382b24', stroke: '#a38068' },
    grey: { tint: '#2c383e', stroke: '#8b9aa1' },
    black: { tint: '#12191d', stroke: '#6d7c83' },
  },
}

/** How many pairs of colours dogs are told apart by; the same number by day and in the dark. */
export const DOG_PAIRS = LIGHT.dogs.length

const dashed = (name: string) => name.replace(/[A-Z0-9]/g, (c) => `-${c.toLowerCase()}`).replace('ink-2', 'ink2')

/** The palette as style properties: `--ink`, `--rim-tint`, `--ramp-0`, `--dog-3`, `--dog-3-tint`. */
export function styleProperties(palette: Palette): Record<`--${string}`, string> {
  const { ramp, series: _, dogs, shades, rule2, ...plain } = palette
  const found: Record<`--${string}`, string> = { '--rule2': rule2 }
  for (const [name, colour] of Object.entries(plain)) found[`--${dashed(name)}`] = colour
  ramp.forEach((colour, i) => (found[`--ramp-${i}`] = colour))
  for (const [name, { stroke, tint }] of Object.entries(shades)) {
    found[`--shade-${name}`] = stroke
    found[`--shade-${name}-tint`] = tint
  }
  dogs.forEach(({ stroke, tint }, i) => {
    found[`--dog-${i}`] = stroke
    found[`--dog-${i}-tint`] = tint
  })
  return found
}
