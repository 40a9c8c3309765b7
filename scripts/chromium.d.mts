/** The path of a Chromium; from Debian's packages when it is missing and may be installed, else undefined. */
export function chromium(): string | undefined
