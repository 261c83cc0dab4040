/**
 * Packages of hundreds of files each, which are built into what serves: a server that looks up and reads every one of them takes
 * a third longer to begin. What is shared between the server and its build, such as the router, stays outside, so that there is one of it.
 */
export const IN_ONE = /^(?:@?better-auth|better-call|@better-fetch|kysely|jose|@?date-fns)(?:\/|$)/;
