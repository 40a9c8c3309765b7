import { METRIC, unitsOfLocale, type Units } from '@core/units'

/** The units of this device's locale, where no house has said its own. */
export const deviceUnits = (): Units =>
  typeof navigator === 'undefined' || !navigator.language ? METRIC : unitsOfLocale(navigator.language)
