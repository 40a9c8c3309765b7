import { regionOf } from '@core/house'
import { METRIC, unitsOfLocale, type Units } from '@core/units'

/** The units of this device's locale, where no house has said its own. */
export const deviceUnits = (): Units =>
  typeof navigator === 'undefined' || !navigator.language ? METRIC : unitsOfLocale(navigator.language)

/** The region of this device's locale; undefined where it names none. */
export const deviceRegion = (): string | undefined =>
  typeof navigator === 'undefined' || !navigator.language ? undefined : regionOf(navigator.language)

/** The time zone of this device's clock, "Europe/London". */
export const deviceZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone
