/** How far the clock of the run is ahead of this computer's, ms. */
export const AHEAD_MS: number
