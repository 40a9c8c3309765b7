/** Messages for the fields of a house, by path. */
export type HouseErrors = Readonly<Record<string, string>>
