/** Who a group is, as far as it decides how much of anything is right for them. */
export const WHO = ["to-12", "13-17", "adults", "older"] as const;

export type Who = (typeof WHO)[number];

export const WHO_WORDS: Readonly<Record<Who, string>> = {
  "to-12": "Children up to 12",
  "13-17": "13 to 17",
  adults: "Adults",
  older: "Older or returning people",
};
