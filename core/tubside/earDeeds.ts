/** What was done with an ear beside the cotton: looked at, thinned, filled, its flap wiped, dried. */
export const EAR_DEEDS = ['looked', 'thinned', 'filled', 'wiped', 'dried'] as const
export type EarDeed = (typeof EAR_DEEDS)[number]
