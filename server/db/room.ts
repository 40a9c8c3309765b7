/** What a room of a database server may be called: the schema that holds its tables. */
export const ROOM = /^[a-z][a-z0-9_]{0,40}$/
