/** A title as the name of a file: letters and digits that every system takes. */
export const fileName = (title: string, otherwise: string): string =>
  title
    .normalize("NFKD")
    .replace(/[^A-Za-z0-9]+/g, "-")
    .replace(/^-|-$/g, "")
    .toLowerCase() || otherwise;
