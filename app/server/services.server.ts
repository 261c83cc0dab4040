import { openServices, type Services } from "./open-services";
import { servicesOfRequest } from "./per-request";

export type { Services } from "./open-services";

let services: Services | undefined;

/** The database and accounts of the server that was asked; outside of a request those of this process, opened at first use. */
export const getServices = (): Services =>
  (servicesOfRequest() as Services | undefined) ?? (services ??= openServices());
