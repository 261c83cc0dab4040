/** How a moment of a report is written. */
export const MOMENT = "EEE d MMM, HH:mm";
