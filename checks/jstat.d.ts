declare module 'jstat' {
  const jstat: { normal: { inv(share: number, mean: number, deviation: number): number } }
  export default jstat
}
