import { workOutStresses } from "./stresses";

/** Tests run by hand see the library as it is now, too. */
export const setup = (): Promise<void> => workOutStresses();
