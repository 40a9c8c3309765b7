/** What was done with an ear beside the cotton: looked at, thinned, its wax softened, filled, its flap wiped,
 * dried; or that it was enough for today. */
export const EAR_DEEDS = ['looked', 'thinned', 'softened', 'filled', 'wiped', 'dried', 'enough'] as const
export type EarDeed = (typeof EAR_DEEDS)[number]
