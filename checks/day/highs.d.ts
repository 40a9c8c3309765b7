declare module 'highs' {
  interface Solution {
    Status: string
    ObjectiveValue: number
    Columns: Record<string, { Primal: number }>
  }
  interface Highs {
    solve(problem: string, options?: Record<string, number | string | boolean>): Solution
  }
  export default function load(): Promise<Highs>
}
