/** What was asked cannot be laid out; the message is for the user. */
export class SheetError extends Error {}
