/**
 * Which way stresses are worked out. What is kept of own drills is worked out anew when it differs: raise it with every
 * change to the rules, the facts they look at or the figure that changes what a drawing comes to. A test notices.
 */
export const STRESS_RULES = "5";
