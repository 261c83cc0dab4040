/** In the address, where it is for no group in particular. */
export const ANYONE = "anyone";
