/** How this program is started here: from a project, or as it was installed. */
export const COMMAND = process.env.JUVANT_COMMAND ?? 'npm start'
/** The same with what it is told. */
export const commandWith = (told: string): string => `${COMMAND}${COMMAND.startsWith('npm ') ? ' --' : ''} ${told}`
