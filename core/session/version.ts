/** The version of the session format that is written. Every one there was is read. Apart from the schema, which phones do without. */
export const NEWEST_SESSION = 2;
