declare module 'psychrolib' {
  const psychrolib: {
    SI: number
    SetUnitSystem(system: number): void
    GetSatVapPres(tDryBulb: number): number
    GetHumRatioFromRelHum(tDryBulb: number, relHum: number, pressure: number): number
    GetRelHumFromHumRatio(tDryBulb: number, humRatio: number, pressure: number): number
    GetSatHumRatio(tDryBulb: number, pressure: number): number
    GetMoistAirVolume(tDryBulb: number, humRatio: number, pressure: number): number
    GetTWetBulbFromHumRatio(tDryBulb: number, humRatio: number, pressure: number): number
  }
  export default psychrolib
}
