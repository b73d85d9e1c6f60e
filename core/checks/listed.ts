const LIST = new Intl.ListFormat('en-GB');

/** Names as they are said one after another: "top, right and bottom". */
export const listed = (names: readonly string[]): string => LIST.format(names);
