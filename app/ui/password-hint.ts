/** Said wherever a password is chosen. */
export const PASSWORD_HINT =
  "At least 10 characters. Three or four words that have nothing to do with each other make a good one.";
