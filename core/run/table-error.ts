/** A table that cannot be used; the message is for the user. */
export class TableError extends Error {}
