import { constants, practice } from '../constants'
import type { Dryer, DryerKind } from './dryer'

/** Dryers as they are commonly sold, until one's own are measured. */
export const USUAL = constants({
  handAir: practice(1.6, 'm³/min', [1, 2.5]),
  handNozzle: practice(45, 'mm', [35, 60]),
  handMotor: practice(80, 'W', [50, 150]),
  handLow: practice(600, 'W', [400, 900]),
  handWarm: practice(1500, 'W', [1000, 2000]),
  handLevel: practice(82, 'dBA', [75, 90]),
  velocityAir: practice(4.5, 'm³/min', [3, 7]),
  velocityNozzle: practice(40, 'mm', [25, 50]),
  velocityMotor: practice(1200, 'W', [800, 2400]),
  velocityLevel: practice(94, 'dBA', [85, 102]),
  standAir: practice(2.2, 'm³/min', [1.5, 4]),
  standNozzle: practice(60, 'mm', [50, 80]),
  standMotor: practice(100, 'W', [60, 200]),
  standLow: practice(700, 'W', [500, 1000]),
  standWarm: practice(1700, 'W', [1200, 2200]),
  standLevel: practice(76, 'dBA', [68, 82]),
  fanAir: practice(50, 'm³/min', [25, 80]),
  fanBlade: practice(400, 'mm', [300, 500]),
  fanMotor: practice(60, 'W', [40, 120]),
  fanLevel: practice(62, 'dBA', [50, 68]),
})

const off = { name: 'heat off', heatW: 0 }
const shared = { force: 1, circuit: '' }

/** One of each kind, by what it does with its air. */
export const USUAL_DRYERS: Readonly<Record<DryerKind, Dryer>> = {
  hand: {
    ...shared,
    name: 'Hand dryer',
    kind: 'hand',
    airflow: USUAL.handAir.value,
    nozzleMm: USUAL.handNozzle.value,
    motorW: USUAL.handMotor.value,
    settings: [off, { name: 'low', heatW: USUAL.handLow.value }, { name: 'warm', heatW: USUAL.handWarm.value }],
    level: USUAL.handLevel.value,
  },
  velocity: {
    ...shared,
    name: 'Force dryer',
    kind: 'velocity',
    airflow: USUAL.velocityAir.value,
    nozzleMm: USUAL.velocityNozzle.value,
    motorW: USUAL.velocityMotor.value,
    settings: [off],
    level: USUAL.velocityLevel.value,
  },
  stand: {
    ...shared,
    name: 'Stand dryer',
    kind: 'stand',
    airflow: USUAL.standAir.value,
    nozzleMm: USUAL.standNozzle.value,
    motorW: USUAL.standMotor.value,
    settings: [off, { name: 'low', heatW: USUAL.standLow.value }, { name: 'warm', heatW: USUAL.standWarm.value }],
    level: USUAL.standLevel.value,
  },
  fan: {
    ...shared,
    name: 'Fan',
    kind: 'fan',
    airflow: USUAL.fanAir.value,
    nozzleMm: USUAL.fanBlade.value,
    motorW: USUAL.fanMotor.value,
    settings: [off],
    level: USUAL.fanLevel.value,
  },
}
