/** A breed's name for comparing: small letters, without signs. */
export const plainName = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z ]/g, '')
    .trim()
