/** The id of an own profile in an address; undefined where it is one of Mapset’s. */
export const ownIdOf = (text: string | undefined): string | undefined =>
  /^own-([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$/.exec(text ?? "")?.[1];

export const notThere = () => new Response("There is no such profile among yours.", { status: 404 });
